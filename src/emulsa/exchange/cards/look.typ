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
