#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.says)
#let w = 168mm
#let top = data.top
#let low = data.low
#let high = data.high
// equal scales: a slope looks like what it is
#let span = (high - low) * (if data.zones { 0.30103 } else { 1.0 })
#let tallest = if data.beside.len() > 0 { 150pt } else { 300pt }
#let unit = calc.min(w / 1pt / span, tallest / 1pt / top) * 1pt
#let wide = unit * span
#let tall = unit * top
#let px(x) = wide * (x - low) / (high - low)
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
    place(line(start: (0mm, py(tick)), end: (wide, py(tick)), stroke: hair))
    place(dx: -8mm, dy: py(tick) - 1.5mm, text(size: 7pt, fill: quiet, str(tick)))
  }
  for (name, at) in data.levels {
    place(line(start: (0mm, py(at)), end: (wide, py(at)), stroke: 0.5pt))
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
  #text(size: 16pt)[Rate at *#data.rate_at*] #h(3mm) #text(fill: quiet, data.rate_why)
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
  {
    if data.verdict != "" { data.verdict }
  },
)
#if data.beside.len() > 0 {
  v(3mm)
  text(size: 8pt, fill: quiet, "Beside " + data.other + ", under equal light")
  table(
    columns: (1.4fr,) + data.films.map(each => 1fr), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 0.8mm),
    text(size: 8pt, fill: quiet, ""), ..data.films.map(each => text(size: 8pt, fill: quiet, each)),
    ..data.beside.flatten().map(each => text(size: 8pt, each)),
  )
}
#for (film, dots) in data.colours {
  v(1mm)
  text(size: 8pt, fill: quiet, film + ": colours beside the reference, in stops of the print")
  block(width: w, height: 14mm, {
    let step = w / dots.len()
    for (place_at, dot) in dots.enumerate() {
      let x = step * (place_at + 0.5)
      let up = calc.max(-1.0, calc.min(1.0, dot.at(1))) * 5mm
      place(line(start: (x, 1mm), end: (x, 11mm), stroke: hair))
      place(line(start: (x - 2mm, 6mm), end: (x + 2mm, 6mm), stroke: 0.5pt))
      place(dx: x - 1mm, dy: 5mm - up, circle(radius: 1mm, fill: black))
      place(dx: x - step / 2, dy: 12.5mm, box(width: step, align(center, text(size: 7pt, dot.at(0)))))
      place(dx: x + 1.6mm, dy: 5mm - up, text(size: 7pt, dot.at(2)))
    }
  })
}
#if data.unequal.len() > 0 {
  text(size: 8pt, fill: quiet, "Not everything was equal. " + data.unequal.join(" "))
}
#foot(data.notes, outdoors: false)
