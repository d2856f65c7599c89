import { Box, Flex } from "@chakra-ui/react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { dayText } from "../../components/days";
import { Problem } from "../../components/Problem";
import { Small } from "../../components/text";
import { useNarrow } from "../../components/useNarrow";
import { useWrite } from "../../shared/useWrite";
import { type FilmPageView, rateRecipe, type TriedCell } from "./queries";

const SHOWN = 3;

/** Developers down, indices across: pictures, a word, minutes, when last. */
export function Tried({ view }: { view: FilmPageView }) {
  const { problem, write, busy } = useWrite();
  const narrow = useNarrow();
  const developers = new Map(view.developers.map((each) => [each.id, each]));
  const done = (recipe: string, cell: TriedCell) => (
    <Done
      cell={cell}
      busy={busy}
      use={() =>
        void write(
          rateRecipe(recipe, cell.ei, cell.use_minutes ?? 0, developers.get(recipe)?.version ?? ""),
        )
      }
    />
  );
  if (narrow)
    return (
      <>
        {view.grid.rows.map((row) => (
          <Box key={row.recipe_id} paddingBottom="3">
            <Box as="h3" fontWeight={550}>
              {developers.get(row.recipe_id)?.name}
            </Box>
            {row.cells.map(
              (cell, place) =>
                cell && (
                  <Flex
                    key={cell.ei}
                    gap="3"
                    paddingBlock="2"
                    borderBottom="1px solid"
                    borderColor="line"
                  >
                    <Box width="64px" color="ink2">
                      {view.grid.ei_texts[place]}
                    </Box>
                    {done(row.recipe_id, cell)}
                  </Flex>
                ),
            )}
          </Box>
        ))}
        <Problem of={problem} />
      </>
    );
  return (
    <Box overflowX="auto">
      <Box
        as="table"
        width="100%"
        css={{
          borderCollapse: "collapse",
          "& th, & td": {
            textAlign: "left",
            verticalAlign: "top",
            padding: "10px 16px 10px 0",
            borderBottom: "1px solid",
            borderColor: "line",
            fontWeight: 400,
          },
          "& thead th": { color: "ink2", fontSize: "14px", paddingBlock: "4px" },
          "& tbody th": { width: "11rem", minWidth: "8rem", fontWeight: 550 },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Developer</th>
            {view.grid.ei_texts.map((each) => (
              <th key={each} scope="col">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.grid.rows.map((row) => (
            <tr key={row.recipe_id}>
              <th scope="row">{developers.get(row.recipe_id)?.name}</th>
              {row.cells.map((cell, place) => (
                <td key={view.grid.eis[place]}>
                  {cell ? (
                    done(row.recipe_id, cell)
                  ) : (
                    <Box color="ink2" aria-label="not tried">
                      –
                    </Box>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
      <Problem of={problem} />
    </Box>
  );
}

function Done({ cell, busy, use }: { cell: TriedCell; busy: boolean; use: () => void }) {
  const pictures = cell.picture_ids.slice(0, SHOWN);
  const story = cell.exposure_ids[0];
  return (
    <Box minWidth="150px" maxWidth="300px">
      {pictures.length > 0 && (
        <Link
          to={`/log/together?of=${cell.picture_ids.join(",")}`}
          aria-label={`Look at ${count(cell.picture_ids.length, "picture")} at EI ${cell.ei}`}
        >
          <Flex gap="1" paddingBottom="1">
            {pictures.map((each) => (
              <img
                key={each}
                src={`/api/attachments/${each}/thumbnail`}
                alt=""
                style={{ height: 62, maxWidth: `${100 / pictures.length}%`, objectFit: "cover" }}
              />
            ))}
          </Flex>
        </Link>
      )}
      <Box>{cell.word}</Box>
      {cell.grain && <Box>{cell.grain}</Box>}
      <Small>
        {[cell.minutes_text, count(cell.pieces, "negative")].filter(Boolean).join(" · ")}
      </Small>
      <Small>
        {story ? <Link to={`/log/${story}`}>last {dayText(cell.at.slice(0, 10))}</Link> : null}
      </Small>
      {cell.advice && (
        <Box paddingTop="1" fontSize="14px">
          {cell.advice}
          <Box paddingTop="1">
            <Button disabled={busy} onClick={use}>
              {cell.use_text}
            </Button>
          </Box>
        </Box>
      )}
    </Box>
  );
}
