import { Box, Flex, Grid } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { Conflict } from "../../shared/Conflict";
import { History } from "../../shared/History";
import { useWrite } from "../../shared/useWrite";
import { FieldOf } from "./FieldOf";
import { type FieldSpec, KINDS, type Kind } from "./fields";
import { PICTURED, Picture } from "./Picture";
import { deleteRecord, putRecord } from "./queries";
import { valueAt, withValue } from "./record";

type Record_ = { id: string; name?: string; archived?: boolean };

/** Any record of the kit, made from its list of fields; a refusal stands at the field it means. */
export function RecordSheet({
  kind,
  record,
  known,
  kit,
  close,
}: {
  kind: Kind;
  record: Record_;
  known: boolean;
  kit: Schemas["Kit"];
  close: () => void;
}) {
  const spec = KINDS[kind];
  const [draft, setDraft] = useState<Record_>(record);
  const [old, setOld] = useState(known);
  // what was taken over stands in fields that begin anew
  const [taken, setTaken] = useState(0);
  const copy = () => {
    setDraft({ ...draft, id: newId(), name: `${draft.name} copy`, archived: false });
    setOld(false);
    setProblem(null);
  };
  const { problem, setProblem, write, take } = useWrite(close);
  // the version this change began on: what is kept meanwhile by another hand is not overwritten
  const [began] = useState(kit.versions[record.id] ?? "");
  const keep = (base = old ? began : "") => write(putRecord(kind, draft, base));
  const archive = () =>
    write(putRecord(kind, { ...draft, archived: !draft.archived } as Record_, began));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void keep();
  };
  const pictured = PICTURED.includes(kind);
  const owner = spec.fields.find((field) => covers(field.path, problem?.field ?? ""));
  return (
    <Sheet
      open
      wide
      close={close}
      title={
        old
          ? (record.name ?? spec.one)
          : `Add ${/^[aeiou]/.test(spec.one) ? "an" : "a"} ${spec.one}`
      }
      footer={
        <>
          {old && (
            <Flex
              flex={{ base: "1 0 100%", md: "0 0 auto" }}
              justify="flex-end"
              gap={{ base: "4", md: "3" }}
            >
              <Button
                variant="quiet"
                paddingInline={{ base: "1.5", md: "2" }}
                color="brick"
                onClick={() => write(deleteRecord(kind, record.id))}
              >
                Delete
              </Button>
              <Button variant="quiet" paddingInline={{ base: "1.5", md: "2" }} onClick={archive}>
                {draft.archived ? "Bring back" : "Archive"}
              </Button>
              <Button variant="quiet" paddingInline={{ base: "1.5", md: "2" }} onClick={copy}>
                Copy
              </Button>
              <History id={record.id} after={close} />
            </Flex>
          )}
          <Button onClick={close}>Cancel</Button>
          <Button variant="main" type="submit" form="record">
            Save
          </Button>
        </>
      }
    >
      <Grid
        templateColumns={{
          base: "minmax(0,1fr)",
          md: pictured ? "minmax(0,3fr) minmax(0,2fr)" : "minmax(0,1fr)",
        }}
        columnGap="8"
        rowGap="5"
      >
        <Grid
          as="form"
          id="record"
          onSubmit={submit}
          templateColumns={{ base: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" }}
          alignItems="start"
          alignContent="start"
          gap="4"
        >
          {spec.fields.map((field) => (
            <Box
              key={`${field.path} ${taken}`}
              gridColumn={{ md: WHOLE.has(field.as) ? "1 / -1" : "auto" }}
            >
              <FieldOf
                field={field}
                value={valueAt(draft, field.path)}
                kit={kit}
                record={draft}
                problem={owner === field ? (problem?.message ?? null) : null}
                onChange={(value) => setDraft((before) => withValue(before, field.path, value))}
                onRecord={(values) => {
                  setDraft((before) =>
                    Object.entries(values).reduce(
                      (draft, [path, value]) => withValue(draft, path, value),
                      before,
                    ),
                  );
                  setTaken(taken + 1);
                }}
              />
            </Box>
          ))}
          {kind === "films" && old && (
            <Box gridColumn="1 / -1">
              <Link to={`/bench/film/${record.id}`}>What was done with this film</Link>
            </Box>
          )}
          <Box gridColumn="1 / -1">
            {!owner && <Problem of={problem} />}
            <Conflict problem={problem} mine={draft} keep={keep} take={take} />
          </Box>
        </Grid>
        {pictured && (
          <Box as="aside" aria-label="What it means">
            <Picture kind={kind} record={draft} kit={kit} />
          </Box>
        )}
      </Grid>
    </Sheet>
  );
}

/** Fields that take the whole width of a form. */
const WHOLE = new Set<FieldSpec["as"]>([
  "note",
  "law",
  "filmkind",
  "leaflet",
  "strength",
  "measured",
  "backs",
  "baths",
  "points",
  "ratings",
  "warmth",
  "parts",
]);

const covers = (path: string, field: string) =>
  field === path ||
  field.startsWith(`${path}.`) ||
  (field === "textural_range" && path === "textural_range.1");
