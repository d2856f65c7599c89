#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#let label(holder, of) = block(
  width: 100%, height: 26mm, inset: 3mm, stroke: 0.4pt + quiet, breakable: false,
  {
    grid(
      columns: (auto, 1fr), column-gutter: 4mm, align: (left, right),
      text(size: if holder.number > 9 { 26pt } else { 30pt }, weight: "bold")[#holder.number#of.side],
      text(size: 7pt, fill: quiet)[#holder.format \ light side out: unexposed \ dark side out: exposed],
    )
    if of.film == "" {
      place(bottom + left, text(size: 8pt)[film .................... loaded .............. N ..........])
    } else {
      place(bottom + left, grid(
        columns: (auto, 1fr), column-gutter: 3mm, align: (left + bottom, left + bottom),
        if of.slip != none { slip(of.slip, width: 28mm) },
        text(size: 7pt)[*#of.n_text* #of.film \ #of.scene],
      ))
    }
  },
)
#grid(
  columns: (1fr, 1fr, 1fr), column-gutter: 0mm, row-gutter: 0mm,
  ..data.holders.map(each => each.sides.map(of => label(each, of))).flatten(),
)
