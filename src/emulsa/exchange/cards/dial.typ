#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look
#head("Zone scale for a meter's dial", [#data.diameter_mm mm across, one stop #data.stop_mm mm along the rim])
#let radius = data.diameter_mm * 0.5mm
#let band = calc.max(4.5mm, calc.min(9mm, data.stop_mm * 0.75mm))
#let inner = radius - band
#let at(r, degrees) = {
  let turn = degrees * 1deg
  (radius + r * calc.sin(turn), radius - r * calc.cos(turn))
}
#let arc(r, from, to) = range(0, 13).map(k => at(r, from + (to - from) * k / 12))
#v(2mm)
#align(center, box(width: 2 * radius, height: 2 * radius, {
  for sector in data.sectors {
    let grey = int(calc.round(255 * calc.pow(sector.zone / 10, 1.15)))
    let points = arc(radius, sector.start_deg, sector.end_deg) + arc(inner, sector.end_deg, sector.start_deg)
    place(top + left, polygon(fill: rgb(grey, grey, grey), stroke: 0.3pt + rgb("#8a8a8a"), ..points))
    let middle = (sector.start_deg + sector.end_deg) / 2
    let (x, y) = at(radius - band / 2, middle)
    place(top + left, dx: x - 5mm, dy: y - 2.5mm, box(width: 10mm, height: 5mm, align(center + horizon,
      rotate(middle * 1deg, text(size: calc.min(8pt, data.stop_mm * 0.9pt), weight: "bold", fill: if sector.zone < 6 { white } else { ink }, sector.name)))))
  }
  place(top + left, dx: 0mm, dy: 0mm, circle(radius: radius, stroke: 0.3pt + quiet))
  place(top + left, dx: radius - 0.2mm, dy: radius - 2mm, line(start: (0mm, 0mm), end: (0.4mm, 0mm), stroke: 0.3pt))
  place(top + left, dx: radius - 2mm, dy: radius, line(start: (0mm, 0mm), end: (4mm, 0mm), stroke: 0.3pt))
  place(top + left, dx: radius, dy: radius - 2mm, line(start: (0mm, 0mm), end: (0mm, 4mm), stroke: 0.3pt))
}))
#v(3mm)
#foot((
  "Print at 100 %, cut out, and lay it on the dial with V at the meter's own mark; turn the dial until the placed reading stands at its zone.",
  "The check below must measure 50 mm.",
))
#v(2mm)
#line(length: 50mm, stroke: 0.8pt + ink)
