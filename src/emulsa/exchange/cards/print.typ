#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.says)
#let mark = rgb("#1b3f77")
#let w = 110mm
#let tall = calc.min(w / data.ratio, 100mm)
#let wide = tall * data.ratio
#grid(
  columns: (wide, 1fr), column-gutter: 8mm,
  block(width: wide, height: tall, stroke: 0.6pt, {
    if data.picture.len() > 0 { place(image(bytes(data.picture), width: wide, height: tall, fit: "stretch")) }
    for area in data.areas {
      let at = area.points.map(each => (wide * each.at(0), tall * each.at(1)))
      if area.kind == "edge" and at.len() == 2 {
        place(line(start: at.at(0), end: at.at(1), stroke: (paint: mark, thickness: 1.4pt, dash: if area.dodge { "dashed" } else { none })))
      } else if at.len() >= 3 {
        place(curve(
          stroke: (paint: mark, thickness: 1.4pt, dash: if area.dodge { "dashed" } else { none }),
          curve.move(at.at(0)), ..at.slice(1).map(each => curve.line(each)), curve.close(),
        ))
      } else if at.len() == 2 {
        let r = calc.sqrt(calc.pow((at.at(1).at(0) - at.at(0).at(0)) / 1pt, 2) + calc.pow((at.at(1).at(1) - at.at(0).at(1)) / 1pt, 2)) * 1pt
        place(dx: at.at(0).at(0) - r, dy: at.at(0).at(1) - r, circle(radius: r, stroke: (paint: mark, thickness: 1.4pt, dash: if area.dodge { "dashed" } else { none })))
      }
      if at.len() > 0 {
        let n = at.len()
        let x = at.map(each => each.at(0)).sum() / n
        let y = at.map(each => each.at(1)).sum() / n
        place(dx: x - 2.5mm, dy: y - 2.5mm, box(width: 5mm, height: 5mm, radius: 2.5mm, fill: white, stroke: 0.6pt, align(center + horizon, text(size: 8pt, str(area.number)))))
      }
    }
  }),
  {
    set text(size: 9pt)
    for area in data.areas [#area.number. #area.text \ ]
    v(2mm)
    table(
      columns: (auto, 1fr), stroke: none, inset: (x: 0mm, y: 0.8mm),
      ..data.facts.map(each => (text(fill: quiet, each.at(0) + "  "), each.at(1))).flatten(),
    )
  },
)
#v(4mm)
#set text(size: 10pt)
#table(
  columns: (1fr, auto), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.5mm),
  ..data.rows.flatten(),
  strong("In all"), strong(data.total),
)
#if data.baths.len() > 0 {
  v(2mm)
  text(fill: quiet, size: 9pt, data.baths.map(each => each.at(0) + " " + each.at(1)).join(" · "))
}
#if data.tries.len() > 0 {
  v(3mm)
  table(
    columns: (auto, auto, 1fr), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 1.2mm),
    ..data.tries.map(each => each.map(cell => text(size: 9pt, cell))).flatten(),
  )
}
#foot(data.notes, outdoors: false)
