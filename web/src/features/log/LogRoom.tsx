import { Box, Flex, Input, VisuallyHidden } from "@chakra-ui/react";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "wouter";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { useNarrow, usePhone } from "../../components/useNarrow";
import { useSize } from "../../components/useSize";
import { useKeys } from "../../shared/keys";
import { RoomHeader } from "../../shared/RoomHeader";
import { ExchangeSheet } from "./ExchangeSheet";
import { Filters } from "./Filters";
import { MOST, Pictures } from "./Pictures";
import { logQuery } from "./queries";
import { Rows } from "./Rows";
import { Shape } from "./Shape";
import { useRoving } from "./useRoving";
import { useSought } from "./useSought";

const ROW_PX = 58;
const ROW_NARROW_PX = 92;
const PRINT_PX = 172;
const PRINT_WIDE_PX = 190;

/** Every exposure there is: found as one types, narrowed by a sentence, read as lines or pictures. */
export function LogRoom() {
  const { sought, seek, clear, pictures, look } = useSought();
  const [text, setText] = useState(sought.text ?? "");
  const [exchanging, setExchanging] = useState(false);
  const [filtering, setFiltering] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  const choose = (id: string) =>
    setChosen(
      chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id].slice(0, MOST),
    );
  const narrow = useNarrow();
  const phone = usePhone();
  const log = useInfiniteQuery(logQuery(sought));
  const field = useRef<HTMLInputElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const [measured, size] = useSize<HTMLDivElement>();
  const lines = useMemo(() => log.data?.pages.flatMap((page) => page.lines) ?? [], [log.data]);
  const across = pictures ? Math.max(2, Math.floor(size.width / PRINT_WIDE_PX)) : 1;
  const virtual = useVirtualizer<HTMLDivElement, Element>({
    count: Math.ceil(lines.length / across),
    getScrollElement: () => scroller.current,
    estimateSize: () => (pictures ? PRINT_PX : phone ? ROW_NARROW_PX : ROW_PX),
    overscan: 8,
  });
  const roving = useRoving(lines.length, across, virtual);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another view has other heights
  useEffect(() => {
    virtual.measure();
    roving.arrive();
  }, [pictures, across, phone]);
  const last = virtual.getVirtualItems().at(-1)?.index ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = log;
  useEffect(() => {
    const near = (last + 12) * across >= lines.length;
    if (near && hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [last, across, lines.length, hasNextPage, isFetchingNextPage, fetchNextPage]);

  useKeys({
    "/": () => field.current?.focus(),
    v: () => {
      roving.stay();
      look(!pictures);
    },
  });

  const total = log.data?.pages[0]?.total ?? null;
  const most = log.data?.pages[0]?.counted_to ?? 0;
  const narrowed = Object.keys(sought).length;
  const type = (next: string) => {
    setText(next);
    scroller.current?.scrollTo({ top: 0 });
    seek({ text: next.trim() });
  };
  const showAll = () => {
    setText("");
    clear();
  };
  const toList = () => {
    const first = scroller.current?.querySelector<HTMLElement>('[data-place="0"]');
    first?.focus();
  };
  return (
    <>
      <RoomHeader
        title="Log"
        sub={
          total !== null &&
          (total > most
            ? `more than ${most.toLocaleString("en-GB")} exposures`
            : count(total, "exposure"))
        }
      >
        <Button
          variant="quiet"
          paddingInline="2"
          aria-pressed={pictures}
          onClick={() => look(!pictures)}
          title="Lines or pictures (v)"
        >
          {pictures ? "Lines" : "Pictures"}
        </Button>
        <Button onClick={() => setExchanging(true)}>
          Import{narrow ? <VisuallyHidden> and export</VisuallyHidden> : " and export"}
        </Button>
      </RoomHeader>
      <Box as="main" ref={measured} display="flex" flexDirection="column" flex="1" minHeight="0">
        <Box
          paddingInline={{ base: "4", md: "6" }}
          paddingTop={{ base: "3", md: "4" }}
          flexShrink={0}
          background="sheet"
          borderBottom="1px solid"
          borderColor="line"
        >
          <Flex gap={{ base: "3", md: "8" }} align="flex-end">
            <Input
              ref={field}
              type="search"
              aria-label="Search the log"
              placeholder="Any word: a place, a film, a note, 4B"
              flex="1"
              minWidth="0"
              fontSize="17px"
              value={text}
              onChange={(event) => type(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === "ArrowDown") {
                  event.preventDefault();
                  toList();
                }
                if (event.key === "Escape") type("");
              }}
            />
            {!narrow && <Shape sought={sought} seek={seek} />}
            {narrow && (
              <Button aria-expanded={filtering} onClick={() => setFiltering(!filtering)}>
                {narrowed ? `Filter (${narrowed})` : "Filter"}
              </Button>
            )}
          </Flex>
          {narrow && (filtering || !phone) && (
            <Box paddingTop="3">
              <Shape sought={sought} seek={seek} />
            </Box>
          )}
          {(!narrow || filtering) && (
            <Filters sought={sought} seek={seek} clear={showAll} ready={log.data !== undefined} />
          )}
          {narrow && <Box height="3" />}
        </Box>
        <Box
          ref={scroller}
          flex="1"
          minHeight="0"
          overflow="auto"
          paddingInline={{ base: "4", md: "6" }}
        >
          {log.error && (
            <Notice tone="warning" live>
              {log.error.message}
            </Notice>
          )}
          <Box role="status" srOnly>
            {total !== null && count(total, "exposure")}
          </Box>
          {log.data && lines.length === 0 && (
            <Empty title={narrowed ? "No matching exposures." : "Nothing exposed yet."}>
              {narrowed ? (
                <Button variant="word" onClick={showAll}>
                  Show everything
                </Button>
              ) : (
                <>
                  Every exposure you log is listed here. <Link to="/scene">Take a reading</Link>, or
                  import an old log.
                </>
              )}
            </Empty>
          )}
          {lines.length > 0 &&
            (pictures ? (
              <Pictures
                lines={lines}
                across={across}
                virtual={virtual}
                roving={roving}
                chosen={chosen}
                choose={choose}
              />
            ) : (
              <Rows lines={lines} virtual={virtual} roving={roving} />
            ))}
        </Box>
      </Box>
      {pictures && chosen.length > 0 && (
        <Flex
          align="center"
          gap="4"
          minHeight="52px"
          paddingInline={{ base: "4", md: "6" }}
          borderTop="1px solid"
          borderColor="line"
          background="sheet"
        >
          <Box role="status">{chosen.length} chosen</Box>
          <Link to={`/log/together?of=${chosen.join(",")}`}>
            {chosen.length === 1 ? "Look at it large" : "Side by side"}
          </Link>
          <Button variant="word" onClick={() => setChosen([])}>
            None
          </Button>
        </Flex>
      )}
      {exchanging && <ExchangeSheet close={() => setExchanging(false)} />}
    </>
  );
}
