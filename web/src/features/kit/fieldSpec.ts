import type { UnitKey } from "../../shared/measures";
import type { LinesKind } from "./LinesField";

/* What a kind of record asks for: a path into the record, a label, and how it is typed. */

export interface FieldSpec {
  path: string;
  label: string;
  as:
    | "text"
    | "number"
    | "zone"
    | "note"
    | "film"
    | "camera"
    | "series"
    | "apertures"
    | "filmkind"
    | "rollfilm"
    | "flag"
    | "law"
    | "leaflet"
    | "developer"
    | "dilution"
    | LinesKind
    | "scheme"
    | "powder"
    | "strength"
    | "measured"
    | "backs"
    | "scale"
    | "byhand"
    | "baths"
    | "paperbaths"
    | "agitation"
    | "bottle"
    | "colon"
    | "day"
    | "lenses"
    | "body"
    | "optional";
  help?: string;
  /** what the number is of; it is shown and typed in the photographer's own unit */
  unit?: UnitKey;
}

export interface KindSpec {
  title: string;
  one: string;
  teach: string;
  fields: FieldSpec[];
}

export const name: FieldSpec = { path: "name", label: "Name", as: "text" };
export const note: FieldSpec = { path: "note", label: "Note", as: "note" };
