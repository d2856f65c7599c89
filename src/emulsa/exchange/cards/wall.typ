#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#set page(flipped: true)
#head(data.title, data.holds_for)
#let columns = data.columns.len()
#table(
  columns: (auto,) + (1fr,) * (columns - 1),
  stroke: (x, y) => (bottom: if y == 0 { 1pt + ink } else { hair }),
  inset: (x: 1mm, y: 2.4mm),
  align: (x, y) => if x == 0 { left } else { right },
  ..data.columns.map(each => text(size: 9pt, fill: quiet, each)),
  ..data.rows.zip(data.estimated).map(((row, estimated)) => row.enumerate().map(((place, cell)) => {
    if place == 0 { text(weight: "bold", cell) } else if estimated { text(size: 12pt, skew(ax: -12deg, cell)) } else { text(size: 12pt, cell) }
  })).flatten(),
)
#foot(data.notes, outdoors: false)
