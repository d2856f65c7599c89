import { Box, Flex } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../../components/Button";
import { Choose } from "../../components/Choose";
import { Entry } from "../../components/Entry";
import { Problem } from "../../components/Problem";
import { Refusals } from "../../components/refused";
import { Quiet } from "../../components/text";
import { OFFERED } from "../../service/service";
import { Conflict } from "../../shared/Conflict";
import { useWrite } from "../../shared/useWrite";
import { type Film, keepFilm } from "./queries";

type Use = Film["uses"][number];

/** One's verdict by use: what this film is good for, what it is not. */
export function Uses({ film, version }: { film: Film; version: string }) {
  const [use, setUse] = useState("");
  const [verdict, setVerdict] = useState<Use["verdict"]>("yes");
  const [wanted, setWanted] = useState<Film>(film);
  const { problem, write, busy, take } = useWrite(() => setUse(""));
  const keep = (uses: Use[], base = version) => {
    const changed = { ...film, uses };
    setWanted(changed);
    return write(keepFilm(changed, base));
  };
  const add = (event: FormEvent) => {
    event.preventDefault();
    const others = film.uses.filter((each) => each.use !== use.trim());
    void keep([...others, { use, verdict }]);
  };
  return (
    <Refusals of={problem}>
      <Box>
        {film.uses.length === 0 && (
          <Quiet>Nothing said yet: streets, landscape, portraits, large prints …</Quiet>
        )}
        <Box as="ul">
          {film.uses.map((each) => (
            <Flex
              as="li"
              key={each.use}
              align="center"
              gap="3"
              minHeight="44px"
              borderBottom="1px solid"
              borderColor="line"
            >
              <Box flex="1" minWidth="0" overflowWrap="anywhere">
                {each.use}
              </Box>
              <Box fontWeight={650} color={each.verdict === "no" ? "ink2" : "ink"}>
                {each.verdict}
              </Box>
              <Button
                variant="word"
                fontSize="14px"
                aria-label={`Remove ${each.use}`}
                disabled={busy}
                onClick={() => void keep(film.uses.filter((other) => other.use !== each.use))}
              >
                Remove
              </Button>
            </Flex>
          ))}
        </Box>
        <Flex as="form" onSubmit={add} gap="3" align="flex-end" paddingTop="3" wrap="wrap">
          <Box flex="1 1 180px">
            <Entry label="Use" value={use} onText={setUse} field="uses" />
          </Box>
          <Choose
            label="Verdict"
            value={verdict}
            options={OFFERED.verdicts}
            onChange={(word) => setVerdict(word as Use["verdict"])}
          />
          <Button type="submit" disabled={busy || !use.trim()}>
            Add
          </Button>
        </Flex>
        <Problem of={problem} />
        <Conflict
          problem={problem}
          mine={wanted}
          keep={(base) => keep(wanted.uses, base)}
          take={take}
        />
      </Box>
    </Refusals>
  );
}
