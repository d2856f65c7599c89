#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#let outing = data.outing
#let joined(..parts) = parts.pos().filter(each => each != none and each != "").join(" · ")
#let warmth = data.warmth
#let coordinates = if outing.latitude == none { none } else { str(outing.latitude) + ", " + str(outing.longitude) }
#head(outing.title, joined(outing.day, outing.place, coordinates))
#joined(outing.conditions, outing.light, warmth)
#if outing.note != "" [ \ #outing.note ]
#v(2mm)
#text(size: 8pt, fill: quiet)[Loaded, unexposed]
#linebreak()
#if data.loaded.len() == 0 [nothing] else {
  let films = data.loaded.map(each => each.film).dedup()
  films.map(film => [*#film* #data.loaded.filter(each => each.film == film).map(each => each.where).join(", ")]).join(" · ")
}
#if data.light != none {
  let light = data.light
  let whole = 174mm
  let grey = (night: 25, astronomical: 40, nautical: 55, civil: 72, low_sun: 86, day: 98)
  v(2mm)
  text(size: 8pt, fill: quiet)[Light]
  linebreak()
  [#light.best.join("; "). #light.moon_text.]
  v(0.5mm)
  box(width: whole, height: 5mm, {
    for each in light.spans {
      place(dx: whole * each.from_minutes / 1440, rect(
        width: whole * (each.to_minutes - each.from_minutes) / 1440, height: 5mm,
        fill: luma(grey.at(each.light) * 1%), stroke: none,
      ))
    }
    place(rect(width: whole, height: 5mm, stroke: hair))
    for hour in range(0, 25, step: 3) {
      place(dx: whole * hour / 24 - 3mm, dy: 5.6mm, box(width: 6mm, align(center, text(size: 7pt, str(hour)))))
    }
  })
  v(4.5mm)
  text(size: 8pt, light.marks.map(each => each.text).join(" · "))
  for each in light.scenes [ \ #text(size: 8pt)[*#each.title* #each.bearing_text: #each.text] ]
}
#v(3mm)
#for scene in data.scenes {
  block(breakable: false, width: 100%, above: 5mm, {
    line(length: 100%, stroke: 0.8pt + ink)
    grid(
      columns: (1fr, auto, 14mm), column-gutter: 4mm, align: (left, right, right),
      [#text(size: 11pt, weight: "bold", scene.title) \ #text(size: 8pt, fill: quiet, scene.kit)],
      if scene.slip != none { slip(scene.slip) },
      if scene.slip != none { strong(scene.slip.n_text) },
    )
    if scene.note != "" { linebreak(); scene.note }
    v(0.5mm)
    grid(
      columns: (1fr, 1fr),
      column-gutter: 8mm,
      table(
        columns: (1fr, auto), stroke: (x, y) => (bottom: hair), inset: (x: 0pt, y: 1.2mm),
        ..scene.readings.map(each => (each.label, each.text)).flatten(),
      ),
      {
        if scene.exposures.len() == 0 { text(fill: quiet)[not exposed: \ aperture ........ time ........ side ........] }
        table(
          columns: (auto, 1fr, auto), stroke: (x, y) => (bottom: hair), inset: (x: 0pt, y: 1.2mm), column-gutter: 3mm,
          ..scene.exposures.map(each => (strong(each.where), each.text + if each.note != "" { " · " + each.note } else { "" }, each.n)).flatten(),
        )
      },
    )
  })
}
#foot(("Follow local codes; ask whose land it is; mind edges, ice and deep water.",))
