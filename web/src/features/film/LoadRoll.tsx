import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { formatsQuery, kitQuery } from "../../api/queries";
import { Choose, named } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { typedNumber } from "../../components/typedNumber";
import { OFFERED } from "../../service/service";
import { FormSheet } from "../../shared/FormSheet";
import { offered } from "../../shared/offered";
import { useWrite } from "../../shared/useWrite";
import { loadRoll, stockQuery } from "./queries";

/** A roll into a camera or a back: which film, how many frames, at which EI. */
export function LoadRoll({ close }: { close: () => void }) {
  const kit = useQuery(kitQuery).data;
  const formats = (useQuery(formatsQuery).data ?? []).filter((each) => each.kind === "frame");
  const stock = useQuery(stockQuery).data ?? [];
  const films = offered(kit?.films);
  const id = useRef(newId());
  const [film, setFilm] = useState<string | null>(null);
  const [format, setFormat] = useState("6x6");
  const [from, setFrom] = useState<string | null>(null);
  const [frames, setFrames] = useState("");
  const [camera, setCamera] = useState("");
  const [back, setBack] = useState("");
  const [ei, setEi] = useState("");
  const [reason, setReason] = useState("");
  const [note, setNote] = useState("");
  const writing = useWrite(close);
  const chosen = formats.find((each) => each.key === format);
  const rolls = stock.filter((each) => each.state.offered && each.stock.format === chosen?.film);
  const filmId = film ?? rolls[0]?.stock.film_id ?? films[0]?.id ?? "";
  const own = films.find((each) => each.id === filmId);
  const boxes = rolls.filter((each) => each.stock.film_id === filmId);
  const box = from ?? boxes[0]?.stock.id ?? "";
  const load = () => {
    void writing.write(
      loadRoll({
        id: id.current,
        film_id: filmId,
        format,
        stock_id: box || null,
        frames: frames.trim() ? typedNumber(frames) : null,
        camera_id: camera || null,
        back,
        exposure_index: ei.trim() ? typedNumber(ei) : null,
        rating_reason: ei.trim() && reason ? (reason as Schemas["Roll"]["rating_reason"]) : null,
        note,
      }),
    );
  };
  return (
    <FormSheet
      close={close}
      title="Load a roll"
      writing={writing}
      keep={load}
      says="Load"
      unready={!films.length}
    >
      {kit && !films.length && (
        <Box>
          First <Link to="/kit">add a film in Kit</Link>.
        </Box>
      )}
      <Grid templateColumns="1fr 1fr" gap="4">
        <Choose
          label="Film"
          value={filmId}
          options={named(films)}
          onChange={(next) => {
            setFilm(next);
            setFrom(null);
          }}
          field="film_id"
        />
        <Choose
          label="Format"
          value={format}
          options={formats.map((each) => ({
            value: each.key,
            label: `${each.name} on ${each.film}`,
          }))}
          onChange={(next) => {
            // another format comes from elsewhere: the film that was chosen stays
            setFilm(filmId);
            setFormat(next);
            setFrom(null);
          }}
          field="format"
        />
        <Choose
          label="From"
          value={box}
          options={[
            ...boxes.map((each) => ({
              value: each.stock.id,
              label: `${each.stock.emulsion || "a brick"}, ${each.state.left} left`,
            })),
            { value: "", label: "not in stock" },
          ]}
          onChange={setFrom}
          field="stock_id"
        />
        <Entry
          label="Frames"
          inputMode="numeric"
          placeholder={String(chosen?.frames ?? "")}
          value={frames}
          onText={setFrames}
          field="frames"
        />
        <Choose
          label="Camera"
          value={camera}
          options={named(offered(kit?.cameras), "not set")}
          onChange={setCamera}
        />
        <Entry label="Back" placeholder="back 2" value={back} onText={setBack} field="back" />
      </Grid>
      <Entry
        label="EI for the whole roll"
        help="Empty: the film's own EI. A higher one pushes the whole roll; a lower one only if it is said to be a pull."
        inputMode="decimal"
        placeholder={own ? String(own.exposure_index) : ""}
        value={ei}
        onText={setEi}
        field="exposure_index"
      />
      {ei.trim() !== "" && (
        <Choose
          label="Why at this EI"
          value={reason}
          options={OFFERED.rating_reasons}
          onChange={setReason}
          field="rating_reason"
        />
      )}
      <Entry label="Note" value={note} onText={setNote} field="note" />
    </FormSheet>
  );
}
