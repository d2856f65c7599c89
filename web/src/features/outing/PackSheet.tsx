import { Box, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { Problem } from "../../components/Problem";
import { Sheet } from "../../components/Sheet";
import { useWrite } from "../../shared/useWrite";
import { type Outing, pack, packingQuery } from "./queries";

/** What goes into the bag, ticked as it does; kept with the outing at once. */
export function PackSheet({ outing, close }: { outing: Outing; close: () => void }) {
  const items = useQuery(packingQuery(outing.id)).data ?? [];
  const [packed, setPacked] = useState(outing.packed);
  const { problem, write } = useWrite();
  const keep = (next: string[]) => {
    setPacked(next);
    const put_in = next.filter((key) => !packed.includes(key));
    void write(
      pack(
        outing.id,
        put_in,
        packed.filter((key) => !next.includes(key)),
      ),
    );
  };
  const groups = [...new Set(items.map((each) => each.group))];
  const missing = items.filter((each) => !packed.includes(each.key)).length;
  return (
    <Sheet
      open
      close={close}
      title={missing || !items.length ? `To pack: ${missing} left` : "All packed"}
      footer={
        <>
          <Button variant="quiet" onClick={() => keep([])} disabled={!packed.length}>
            Clear ticks
          </Button>
          <Button variant="main" onClick={close}>
            Close
          </Button>
        </>
      }
    >
      <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} columnGap="6">
        {groups.map((group) => (
          <Box as="fieldset" key={group} paddingBottom="3" minWidth="0">
            <Box as="legend" fontSize="13px" color="ink2">
              {group}
            </Box>
            {items
              .filter((each) => each.group === group)
              .map((each) => (
                <Box
                  as="label"
                  key={each.key}
                  display="flex"
                  gap="2"
                  minHeight="44px"
                  alignItems="center"
                  lineHeight={1.25}
                >
                  <input
                    type="checkbox"
                    checked={packed.includes(each.key)}
                    onChange={(event) =>
                      keep(
                        event.target.checked
                          ? [...packed, each.key]
                          : packed.filter((key) => key !== each.key),
                      )
                    }
                  />
                  {each.text}
                </Box>
              ))}
          </Box>
        ))}
      </Grid>
      <Problem of={problem} />
    </Sheet>
  );
}
