#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.says)
#let w = 86mm
#let tall = w / data.ratio
#let shown(file, places) = block(width: w, height: tall, stroke: 0.6pt, {
  place(image(bytes(file), width: w, height: tall, fit: "stretch"))
  for each in places {
    place(
      dx: w * each.x - 2.2mm, dy: tall * each.y - 2.2mm,
      box(width: 4.4mm, height: 4.4mm, radius: 2.2mm, fill: white, stroke: 0.7pt, align(center + horizon, text(size: 7pt, str(each.number)))),
    )
  }
})
#if data.picture.len() > 0 {
  grid(
    columns: (w, w), column-gutter: 6mm, row-gutter: 1.5mm,
    shown(data.picture, data.places),
    if data.printed.len() > 0 { shown(data.printed, ()) },
    text(size: 8pt, fill: quiet, data.captions.at(0)),
    text(size: 8pt, fill: quiet, data.captions.at(1)),
  )
  v(4mm)
}
#set text(size: 10pt)
#table(
  columns: (auto, 1fr, auto, auto, auto), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.3mm),
  ..("", "reading", "read", "falls on", "prints as").map(each => text(size: 8pt, fill: quiet, each)),
  ..data.rows.flatten(),
)
#v(3mm)
#table(
  columns: (1fr, auto, auto), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.3mm),
  ..data.sums.flatten(),
)
#v(3mm)
#table(
  columns: (auto, 1fr), stroke: none, inset: (x: 1mm, y: 0.8mm),
  ..data.facts.map(each => (text(fill: quiet, each.at(0) + "  "), each.at(1))).flatten(),
)
#foot(data.notes)
