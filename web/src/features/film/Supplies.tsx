import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import { suppliesQuery } from "./queries";

/** Paper and chemistry: what is left of a box, and whether a bottle keeps as long as it lasts. */
export function Supplies() {
  const lines = useQuery(suppliesQuery).data ?? [];
  if (lines.length === 0) return null;
  return (
    <Box as="section" aria-label="Paper and chemistry" paddingTop="6">
      <Box as="h2" fontSize="17px" fontWeight={600} paddingBottom="1">
        Paper and chemistry
      </Box>
      <ul>
        {lines.map((each, place) => (
          <Flex
            as="li"
            // biome-ignore lint/suspicious/noArrayIndexKey: two boxes of one paper are alike but for their place
            key={`${each.id} ${place}`}
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="3"
            columnGap="5"
            rowGap="1"
            wrap="wrap"
            align="baseline"
          >
            <Box width="300px" maxWidth="100%">
              <Link to="/kit">
                <b>{each.name}</b>
              </Link>
            </Box>
            {each.share !== null && (
              <Box width="250px" maxWidth="100%">
                {each.left_text}
                <Box aria-hidden height="6px" background="line" marginTop="1">
                  <Box
                    height="100%"
                    width={`${100 * each.share}%`}
                    background={each.amiss ? "ochre" : "ink2"}
                  />
                </Box>
              </Box>
            )}
            <Box flex="1 1 240px" color={each.amiss ? "ochre" : "ink2"}>
              {each.says}
            </Box>
          </Flex>
        ))}
      </ul>
    </Box>
  );
}
