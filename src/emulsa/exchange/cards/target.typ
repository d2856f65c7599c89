#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look
#head("Bellows target and ruler", [lay the square in the picture, parallel to the film; measure its image on the ground glass])
#let side = data.target.side_mm * 1mm
#align(center, rect(width: side, height: side, stroke: 1.2pt + ink, inset: 0pt, {
  place(center + horizon, line(length: side, stroke: hair))
  place(center + horizon, line(angle: 90deg, length: side, stroke: hair))
  place(bottom + center, dy: -2mm, text(size: 8pt, fill: quiet, [#data.target.side_mm mm]))
}))
#v(4mm)
#text(size: 8pt, fill: quiet)[Ruler: from the left end to the image's right edge are the stops to open.]
#v(1mm)
#box(width: 88mm, height: 16mm, {
  place(top + left, line(length: calc.min(86, data.target.ruler.last().image_mm + 4) * 1mm, stroke: 0.8pt + ink))
  place(top + left, line(angle: 90deg, length: 8mm, stroke: 0.8pt + ink))
  for (k, mark) in data.target.ruler.enumerate() {
    let whole = calc.rem(k + 1, 3) == 0
    place(top + left, dx: mark.image_mm * 1mm, line(angle: 90deg, length: if whole { 8mm } else { 5mm }, stroke: (if whole { 0.9pt } else { 0.5pt }) + ink))
    place(top + left, dx: mark.image_mm * 1mm - 6mm, dy: (if whole { 9mm } else { 6mm }), box(width: 12mm, align(center, text(size: if whole { 9pt } else { 7pt }, weight: if whole { "bold" } else { "regular" }, mark.text))))
  }
})
#foot(([For #data.lens, pupil magnification #data.pupil. Print at 100 %; the square must measure #data.target.side_mm mm.],))
