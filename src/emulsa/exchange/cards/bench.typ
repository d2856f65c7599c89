#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.says)
#let w = 168mm
#let top = data.top
#let low = data.low
#let high = data.high
// equal scales: a slope looks like what it is
#let unit = w / ((high - low) * (if data.zones { 0.30103 } else { 1.0 }))
#let tall = calc.min(unit * top / 1pt, 300) * 1pt
#let px(x) = w * (x - low) / (high - low)
#let py(y) = tall - tall * y / top
#let drawn(points, width, dash) = place(
  curve(
    stroke: (thickness: width, dash: dash),
    curve.move((px(points.at(0).at(0)), py(points.at(0).at(1)))),
    ..points.slice(1).map(each => curve.line((px(each.at(0)), py(each.at(1))))),
  ),
)
#block(width: w, height: tall + 10mm, {
  for tick in data.ticks {
    place(line(start: (0mm, py(tick)), end: (w, py(tick)), stroke: hair))
    place(dx: -8mm, dy: py(tick) - 1.5mm, text(size: 7pt, fill: quiet, str(tick)))
  }
  for (name, at) in data.levels {
    place(line(start: (0mm, py(at)), end: (w, py(at)), stroke: 0.5pt))
    place(dx: 1mm, dy: py(at) - 3.5mm, text(size: 7pt, name))
  }
  for (place_at, name) in data.marks {
    place(dx: px(place_at) - 5mm, dy: tall + 2mm, box(width: 10mm, align(center, text(size: 8pt, name))))
  }
  for each in data.lines {
    if each.line.len() > 1 {
      drawn(each.line, if each.main { 1.4pt } else { 0.7pt }, if each.dotted { "dotted" } else { none })
      let end = each.line.at(-1)
      place(dx: px(end.at(0)) + 1mm, dy: py(end.at(1)) - 1.5mm, text(size: 7pt, each.name))
    }
    for point in each.points {
      place(dx: px(point.at(0)) - 0.6mm, dy: py(point.at(1)) - 0.6mm, circle(radius: 0.6mm, fill: white, stroke: 0.5pt))
    }
  }
})
#v(2mm)
#if data.rate_at != "" [
  #text(size: 16pt)[rate it at *#data.rate_at*] #h(3mm) #text(fill: quiet, data.rate_why)
]
#v(3mm)
#set text(size: 10pt)
#grid(
  columns: (1fr, 1fr), column-gutter: 12mm,
  if data.ladder.len() > 0 {
    table(
      columns: (auto, 1fr, auto, auto), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.5mm),
      ..("N", "minutes", "EI", "").map(each => text(size: 8pt, fill: quiet, each)),
      ..data.ladder.map(each => (each.n, each.minutes, each.ei, text(size: 8pt, fill: quiet, each.sure))).flatten(),
    )
  },
  if data.beside.len() > 0 {
    text(size: 8pt, fill: quiet, "Beside " + data.other)
    table(
      columns: (1fr, auto), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.5mm),
      ..data.beside.flatten(),
    )
  },
)
#if data.verdict != "" { v(3mm); data.verdict }
#foot(data.notes, outdoors: false)
