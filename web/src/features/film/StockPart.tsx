import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import type { Schemas } from "../../api/calls";
import { newId } from "../../api/newId";
import { formatsQuery, kitQuery } from "../../api/queries";
import { Button } from "../../components/Button";
import { count } from "../../components/count";
import { dayText } from "../../components/days";
import { Empty } from "../../components/Empty";
import { Notice } from "../../components/Notice";
import { Quiet, Small } from "../../components/text";
import { BEGUN } from "../../service/service";
import { offered } from "../../shared/offered";
import { BoxOpened } from "./BoxOpened";
import { FilmRoom } from "./FilmRoom";
import { stockQuery } from "./queries";
import { StockSheet } from "./StockSheet";
import { Supplies } from "./Supplies";

type View = Schemas["StockView"];

/** Boxes and bricks: what is left, what it costs, what expires. */
export function StockPart() {
  const stock = useQuery(stockQuery);
  const kit = useQuery(kitQuery).data;
  const formats = useQuery(formatsQuery).data ?? [];
  const [edited, setEdited] = useState<Pick<View, "stock" | "version"> | null>(null);
  const [archived, setArchived] = useState(false);
  const all = stock.data ?? [];
  const hidden = all.filter((each) => each.stock.archived).length;
  const shown = all.filter((each) => archived || !each.stock.archived);
  const films = offered(kit?.films);
  const name = (key: string) => formats.find((each) => each.key === key)?.name ?? `${key} rolls`;
  const add = () =>
    setEdited({
      version: "",
      stock: { ...BEGUN.stock, id: newId(), film_id: films[0]?.id ?? "" },
    });
  return (
    <FilmRoom
      sub={stock.data && count(shown.length, "box", "boxes")}
      actions={
        <Button onClick={add} disabled={!films.length}>
          Add a box
        </Button>
      }
    >
      {stock.error && (
        <Notice tone="warning" live>
          {stock.error.message}
        </Notice>
      )}
      {stock.data && shown.length === 0 && (
        <Empty title="No film in stock yet.">
          Add a box of sheets or some rolls: what is left, what one exposure costs and what expires
          is worked out from then on.{" "}
          {kit && !films.length && <Link to="/kit">Name a film first</Link>}
        </Empty>
      )}
      <ul>
        {shown.map((view) => (
          <Box as="li" key={view.stock.id} borderBottom="1px solid" borderColor="line">
            <Grid
              as="button"
              width="100%"
              templateColumns={{
                base: "84px minmax(0,1fr)",
                md: "96px minmax(0,300px) 250px minmax(0,1fr)",
              }}
              columnGap="4"
              alignItems="center"
              rowGap="2"
              textAlign="left"
              background="transparent"
              border="none"
              cursor="pointer"
              paddingBlock="3"
              _hover={{ color: "accent" }}
              onClick={() => setEdited(view)}
            >
              <Box gridRow={{ base: "1 / 4", md: "auto" }}>
                <Box as="span" fontSize="26px" fontWeight={620}>
                  {view.state.left}
                </Box>{" "}
                <Box as="span" color="ink2">
                  of {view.stock.count}
                </Box>
              </Box>
              <Box>
                <b>{view.film_name}</b>, {name(view.stock.format)}
                {view.stock.archived && " · archived"}
                <Small>
                  {[
                    view.stock.kept === "bag" ? "in the bag" : `in the ${view.stock.kept}`,
                    view.stock.opened && `opened ${dayText(view.stock.opened)}`,
                    view.state.each_text,
                  ]
                    .filter(Boolean)
                    .join(", ")}
                </Small>
              </Box>
              <BoxOpened view={view} />
              <Box fontSize="15px" gridColumn={{ base: "2", md: "auto" }}>
                {view.state.says && (
                  <Box
                    color={view.state.expired ? "brick" : view.state.low ? "ochre" : "ink2"}
                    fontWeight={view.state.expired || view.state.low ? 600 : 400}
                  >
                    {view.state.says}
                  </Box>
                )}
                {view.state.warm_up && <Quiet>{view.state.warm_up}</Quiet>}
              </Box>
            </Grid>
          </Box>
        ))}
      </ul>
      {hidden > 0 && (
        <Flex paddingTop="2">
          <Button variant="word" color="ink2" onClick={() => setArchived(!archived)}>
            {archived ? "hide what is archived" : `show ${hidden} archived`}
          </Button>
        </Flex>
      )}
      <Supplies />
      {edited && (
        <StockSheet view={edited} films={films} formats={formats} close={() => setEdited(null)} />
      )}
    </FilmRoom>
  );
}
