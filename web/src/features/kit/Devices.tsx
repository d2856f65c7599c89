import { Box, Flex, Grid } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../components/Button";
import { momentText } from "../../components/days";
import { Notice } from "../../components/Notice";
import { Sheet } from "../../components/Sheet";
import { Quiet, Small } from "../../components/text";
import { newCode, type Pairing, pairingQuery, turnOut } from "./queries";

/** The devices that may speak to this service over the network; nothing where nobody else can. */
export function Devices() {
  const pairing = useQuery(pairingQuery).data;
  const [open, setOpen] = useState(false);
  if (!pairing || !(pairing.active || pairing.devices.length)) return null;
  const many = pairing.devices.length;
  return (
    <Flex justify="space-between" align="center" gap="4" paddingBlock="2">
      <Box>
        <Box fontWeight={550}>Devices</Box>
        <Small>
          {many === 0 ? "none paired yet" : pairing.devices.map((each) => each.name).join(", ")}
        </Small>
      </Box>
      <Button variant="quiet" onClick={() => setOpen(true)}>
        Devices
      </Button>
      {open && <DevicesSheet pairing={pairing} close={() => setOpen(false)} />}
    </Flex>
  );
}

function DevicesSheet({ pairing, close }: { pairing: Pairing; close: () => void }) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = async (call: () => Promise<Pairing>) => {
    setProblem(null);
    try {
      client.setQueryData(pairingQuery.queryKey, await call());
    } catch (refusal) {
      setProblem((refusal as Error).message);
    }
  };
  return (
    <Sheet open close={close} title="Devices" footer={<Button onClick={close}>Close</Button>}>
      <Flex direction="column" gap="5">
        {pairing.active && (
          <Grid
            as="section"
            aria-label="Pair another device"
            templateColumns={{ base: "1fr", sm: "auto 1fr" }}
            gap="5"
            alignItems="center"
          >
            <img
              src={`data:image/svg+xml,${encodeURIComponent(pairing.picture)}`}
              alt={`QR code of ${pairing.address} with the code`}
              width={180}
              height={180}
            />
            <Box>
              <Box>
                On the other device open <b>{pairing.address}</b> and type
              </Box>
              <Box fontSize="28px" fontWeight={650} letterSpacing="0.08em" data-code>
                {pairing.code.slice(0, 4)}-{pairing.code.slice(4)}
              </Box>
              <Small>
                or point its camera at the picture. The code is good once, for ten minutes. What
                travels is not encrypted; pair only on a network you trust.
              </Small>
              <Button onClick={() => attempt(newCode)}>Another code</Button>
            </Box>
          </Grid>
        )}
        <Box as="ul" aria-label="Paired devices">
          {pairing.devices.length === 0 && <Quiet>No device is paired.</Quiet>}
          {pairing.devices.map((each) => (
            <Flex
              as="li"
              key={each.id}
              justify="space-between"
              align="center"
              gap="4"
              minHeight="56px"
              borderBottom="1px solid"
              borderColor="line"
            >
              <Box>
                <b>{each.name}</b>
                <Small>
                  paired {momentText(each.paired_at)}, last here {momentText(each.seen_at)}
                </Small>
              </Box>
              <Button
                aria-label={`Turn out ${each.name}`}
                onClick={() => attempt(() => turnOut(each.id))}
              >
                Turn out
              </Button>
            </Flex>
          ))}
        </Box>
        {problem && (
          <Notice tone="refusal" live>
            {problem}
          </Notice>
        )}
      </Flex>
    </Sheet>
  );
}
