#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#set text(size: 12pt)
#head(data.title, "Mixing sheet: one line after the other, ticked as it is done")
#for part in data.parts {
  block(breakable: false, width: 100%, above: 5mm, {
    line(length: 100%, stroke: 0.8pt + ink)
    text(size: 14pt, weight: "bold", part.title)
    for each in part.lines {
      block(above: 3mm, grid(columns: (8mm, 1fr), box(width: 4.5mm, height: 4.5mm, baseline: -0.6mm, stroke: 0.8pt + ink), each))
    }
    for each in part.cautions { block(above: 2.5mm, text(size: 9pt, fill: quiet, each)) }
  })
}
#foot(data.cautions, outdoors: false)
