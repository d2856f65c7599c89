#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.says)
#text(size: 11pt, data.film.join(" · "))
#v(1mm)
#data.mix
#v(3mm)
#set text(size: 11pt)
#table(
  columns: (1fr, auto, auto, auto, 2fr, 24mm), stroke: (x, y) => (bottom: hair), inset: (x: 1mm, y: 2mm),
  column-gutter: 3mm,
  ..("Bath", "from", "to", "for", "moved at", "as it went").map(each => text(size: 8pt, fill: quiet, each)),
  ..data.steps.map(each => (
    strong(each.name), each.begins, each.ends, each.lasts,
    { each.moves; if each.caution != "" { linebreak(); text(size: 8pt, fill: quiet, each.caution) } },
    "",
  )).flatten(),
)
#text(size: 8pt, fill: quiet)[Times are of the clock that starts with the first pouring; a bath counts from when the tank is full.]
#foot(data.notes, outdoors: false)
