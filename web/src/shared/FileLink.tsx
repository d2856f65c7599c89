import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { here } from "../api/here";
import { OWN } from "../api/own";
import { refusal, unheard } from "../api/refusal";
import { transport } from "../api/transport";
import { Button } from "../components/Button";
import { save } from "../components/save";
import { useCarrying } from "../field/mode";
import { SINGLE } from "../field/single";

/** A file made for whoever follows the link. Out there the carried copy makes it, and what waits for
    home is said beside it: the page is never left for a file that cannot come. */
export function FileLink({
  href,
  label,
  aside = false,
  children,
}: {
  href: string;
  label?: string;
  /** in a tab of its own, where there are some */
  aside?: boolean;
  children: ReactNode;
}) {
  const away = Boolean(useCarrying()) || SINGLE;
  const [said, setSaid] = useState<string | null>(null);
  const named = label ? { "aria-label": label } : {};
  if (!away)
    return (
      <a href={href} {...named} {...(aside && { target: "_blank", rel: "noreferrer" })}>
        {children}
      </a>
    );
  const follow = async () => {
    setSaid(null);
    try {
      await made(href);
    } catch (problem) {
      setSaid((problem as Error).message);
    }
  };
  return (
    <>
      <Button variant="word" {...named} onClick={() => void follow()}>
        {children}
      </Button>
      {said && (
        <Box role="status" color="ochre" fontSize="14px" alignSelf="center">
          {said}
        </Box>
      )}
    </>
  );
}

/** Have the carried copy make a file, and save it; throws what it says instead. */
async function made(href: string): Promise<void> {
  const answer = await transport(new Request(here(href), { headers: OWN })).catch((problem) => {
    throw unheard(problem);
  });
  if (!answer.ok) throw refusal(await answer.json(), answer.status);
  save(await answer.blob(), nameOf(answer) ?? href.split("/").pop() ?? "emulsa");
}

function nameOf(answer: Response): string | null {
  const said = answer.headers.get("content-disposition") ?? "";
  const name = /filename\*=UTF-8''([^;\s]+)/.exec(said)?.[1];
  return name ? decodeURIComponent(name) : null;
}
