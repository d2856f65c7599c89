import { Grid } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/calls";
import { Button } from "../../components/Button";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { History } from "../../shared/History";
import { useWrite } from "../../shared/useWrite";
import { deleteStock, putStock } from "./queries";

type Stock = Schemas["Stock"];

/** A day as it is kept, or none: what was noted in words before stays to be put right. */
const DAY = /^(\d{4}-\d{2}-\d{2})?$/;

/** A box of sheets or a brick of rolls. */
export function StockSheet({
  view,
  films,
  formats,
  close,
}: {
  view: Pick<Schemas["StockView"], "stock" | "version">;
  films: Schemas["Film"][];
  formats: Schemas["Format"][];
  close: () => void;
}) {
  const [draft, setDraft] = useState(view.stock);
  const [typed, setTyped] = useState({
    count: String(view.stock.count),
    spent: String(view.stock.spent),
    price: String(view.stock.price ?? ""),
  });
  const writing = useWrite(close);
  const old = Boolean(view.version);
  const wanted: Stock = {
    ...draft,
    count: typedNumber(typed.count),
    spent: typed.spent.trim() ? typedNumber(typed.spent) : 0,
    price: typed.price.trim() ? typedNumber(typed.price) : null,
  };
  const keep = (base: string) => writing.write(putStock(wanted, base));
  const text = (field: "expires" | "emulsion" | "opened" | "note", label: string, more = {}) => (
    <Entry
      label={label}
      value={draft[field]}
      onText={(text) => setDraft({ ...draft, [field]: text })}
      field={field}
      {...more}
    />
  );
  const number = (field: keyof typeof typed, label: string, help?: string) => (
    <Entry
      label={label}
      help={help}
      inputMode="decimal"
      value={typed[field]}
      onText={(text) => setTyped({ ...typed, [field]: text })}
      field={field}
    />
  );
  const pieces = formats.filter((each) => each.kind === "sheet");
  return (
    <FormSheet
      close={close}
      title={old ? "Box of film" : "Add a box of film"}
      writing={writing}
      keep={keep}
      base={view.version}
      mine={wanted}
      beside={
        old && (
          <>
            <Button
              variant="quiet"
              paddingInline="2"
              color="brick"
              onClick={() => writing.write(deleteStock(draft.id))}
            >
              Delete
            </Button>
            <Button
              variant="quiet"
              paddingInline="2"
              onClick={() =>
                writing.write(putStock({ ...wanted, archived: !draft.archived }, view.version))
              }
            >
              {draft.archived ? "Bring back" : "Archive"}
            </Button>
            <History id={draft.id} after={close} />
          </>
        )
      }
    >
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Film"
          value={draft.film_id}
          options={named(films)}
          onChange={(film_id) => setDraft({ ...draft, film_id })}
          field="film_id"
        />
        <Choose
          label="Format"
          value={draft.format}
          options={[
            ...pieces.map((each) => ({ value: each.key, label: each.name })),
            ...OFFERED.roll_films,
          ]}
          onChange={(format) => setDraft({ ...draft, format })}
          field="format"
        />
        {number("count", "Sheets or rolls in it when full")}
        {number("spent", "Used elsewhere", "lost, given away, tested")}
        {number("price", "Price of the whole box", "in your own money")}
        {text("expires", "Expires", { placeholder: "2027-06", help: "year and month" })}
        <Choose
          label="Storage"
          value={draft.kept}
          options={OFFERED.stock_places}
          onChange={(kept) => setDraft({ ...draft, kept: kept as Stock["kept"] })}
          field="kept"
        />
        {text("emulsion", "Emulsion number")}
        {text("opened", "Opened", { type: DAY.test(draft.opened ?? "") ? "date" : "text" })}
      </Grid>
      {text("note", "Note", { multiline: true })}
    </FormSheet>
  );
}
