// What all cards share: the face, real fractions, hairlines, and the caution at the foot.
#let ink = rgb("#111315")
#let quiet = rgb("#50565c")
#let hair = 0.4pt + rgb("#b9bec3")
#let fractions = ("½": ("1", "2"), "⅓": ("1", "3"), "⅔": ("2", "3"), "¼": ("1", "4"), "¾": ("3", "4"))

// A real fraction: the face has signs for halves and quarters only, so all are set by hand.
#let fraction(parts) = box({
  // a space as narrow as can be: text that is copied reads 11 1/3, not 111/3
  text(size: 0.3em, "\u{00a0}")
  text(size: 0.74em, baseline: -0.34em, parts.at(0))
  h(-0.04em)
  text(size: 0.95em, "\u{2044}")
  h(-0.04em)
  text(size: 0.74em, parts.at(1))
})

#let look(body, paper: "a6") = {
  let a6 = paper == "a6"
  set page(
    paper: paper,
    margin: if a6 { (x: 9mm, top: 9mm, bottom: 12mm) } else { (x: 16mm, top: 15mm, bottom: 16mm) },
  )
  set text(font: "Atkinson Hyperlegible Next", size: 9pt, fill: ink, features: (tnum: 1))
  show regex("[½⅓⅔¼¾]"): it => fraction(fractions.at(it.text))
  body
}

#let head(title, under) = {
  text(size: 13pt, weight: "bold", title)
  linebreak()
  text(size: 8pt, fill: quiet, under)
  v(1.5mm)
}

#let foot(notes, outdoors: true) = {
  set text(size: 7pt, fill: quiet)
  for note in notes { v(1mm); note }
  v(1mm)
  if outdoors [Advice, not a promise: follow the makers' instructions. Never aim a meter at the sun.]
}

// A subject at a glance: eleven greys, a stroke for each reading where it falls (the placed one a
// notch, one whose texture is lost open), under them the greys whose texture is kept.
#let greys = (8, 22, 40, 62, 88, 119, 150, 180, 208, 232, 250)
#let slip(drawn, width: 46mm) = {
  let cell = width / 11
  let held(zone) = calc.max(-0.36, calc.min(10.36, zone))
  let edge(zone) = cell * calc.max(0, calc.min(11, zone))
  box(width: width, height: 6.4mm, {
    for (zone, level) in greys.enumerate() {
      place(dx: cell * zone, dy: 2mm, rect(width: cell, height: 2.6mm, fill: luma(level), stroke: none))
    }
    place(dy: 2mm, rect(width: width, height: 2.6mm, stroke: 0.3pt + luma(130)))
    for tick in drawn.ticks {
      let at = cell * (held(tick.zone) + 0.5)
      if tick.placed {
        place(dx: at - 1mm, dy: 0.1mm, polygon(fill: ink, (0mm, 0mm), (2mm, 0mm), (1mm, 1.8mm)))
      } else if tick.lost != "" {
        place(dx: at - 0.4mm, dy: 0.2mm, rect(width: 0.8mm, height: 1.6mm, fill: white, stroke: 0.5pt + ink))
      } else {
        place(dx: at - 0.2mm, dy: 0.2mm, rect(width: 0.4mm, height: 1.7mm, fill: ink))
      }
    }
    let (low, high) = (edge(drawn.low), edge(drawn.high + 1))
    let stroke = 0.5pt + ink
    place(dx: low, dy: 6.1mm, line(length: high - low, stroke: stroke))
    for at in (low, high) { place(dx: at, dy: 5.2mm, line(angle: 90deg, length: 0.9mm, stroke: stroke)) }
  })
}
