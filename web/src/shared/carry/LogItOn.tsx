import { useQuery } from "@tanstack/react-query";
import { holdersQuery } from "../../api/queries";
import { Choose } from "../../components/Choose";
import type { Otherwise } from "./queries";

const NO_HOLDER = "-";
const TWICE = "--";

/** Which film an exposure was really on, when it cannot have been as it was logged. */
export function LogItOn({
  value,
  onChange,
}: {
  value: Otherwise;
  onChange: (value: Otherwise) => void;
}) {
  const sides = (useQuery(holdersQuery).data ?? []).flatMap((each) => each.sides);
  const options = [
    { value: "", label: "the side it was logged on" },
    ...sides.flatMap(({ piece_id, state, where, film_name }) =>
      piece_id && state === "loaded" ? [{ value: piece_id, label: `${where}, ${film_name}` }] : [],
    ),
    { value: NO_HOLDER, label: "film whose holder is named later" },
    { value: TWICE, label: "the same sheet, exposed twice by mistake" },
  ];
  return (
    <Choose
      label="It was on"
      value={value.happened ? TWICE : value.unplaced ? NO_HOLDER : (value.piece_id ?? "")}
      options={options}
      onChange={(on) =>
        onChange(
          on === TWICE
            ? { happened: true }
            : on === NO_HOLDER
              ? { unplaced: true }
              : on
                ? { piece_id: on }
                : {},
        )
      }
    />
  );
}
