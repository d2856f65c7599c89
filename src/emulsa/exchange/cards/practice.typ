#import "look.typ": *
#let data = json(bytes(sys.inputs.data))
#show: look.with(paper: "a4")
#head(data.title, data.holds_for)
#let asked(each) = {
  text(size: 8pt, fill: quiet, [#each.number · #each.topic])
  linebreak()
  text(size: 10.5pt, each.text)
}
#let way(each) = {
  set text(size: 8pt)
  grid(
    columns: (1fr, 18mm, 22mm),
    row-gutter: 0.9mm,
    align: (left, right, right),
    ..each.steps.map(step => (step.label, step.amount, strong(step.running))).flatten(),
  )
}
#for each in data.questions {
  block(breakable: false, width: 100%, inset: (bottom: 2.6mm), stroke: (bottom: hair), {
    asked(each)
    v(1mm)
    if data.answers {
      grid(
        columns: (1fr, 84mm),
        text(size: 12pt, weight: "bold", each.answer),
        way(each),
      )
    } else {
      grid(
        columns: (1fr, auto),
        align: (left + bottom, right + bottom),
        text(size: 7.5pt, fill: quiet, each.hint),
        box(width: 52mm, height: 8mm, stroke: (bottom: 0.7pt + ink)),
      )
    }
  })
}
#foot(data.notes, outdoors: false)
