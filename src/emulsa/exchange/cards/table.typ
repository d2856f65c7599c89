#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look
#head(data.title, data.holds_for)
#let columns = data.columns.len()
#table(
  columns: (1fr,) * columns,
  stroke: (x, y) => (bottom: if y == 0 { 1pt + ink } else { hair }),
  inset: (x: 0pt, y: if data.rows.len() > 13 { 1.2mm } else { 1.9mm }),
  align: (x, y) => if x == 0 { left } else { right },
  ..data.columns.map(each => text(size: 8pt, fill: quiet, each)),
  ..data.rows.map(row => row.enumerate().map(((place, cell)) => {
    if place == 0 or columns > 3 and place == 1 { text(weight: "bold", cell) } else { cell }
  })).flatten(),
)
#foot(data.notes)
