import { Box, Flex } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { question } from "../../api/ask";
import { Small } from "../../components/text";

/** How a phone comes to a copy: the address, why its browser trusts it, and how to take that back. */
export function OnPhone() {
  const pairing = useQuery({ ...question("pairing_read"), retry: false }).data;
  if (!pairing) return null;
  const secure = pairing.active && pairing.address.startsWith("https:");
  return (
    <Box as="section" aria-label="On a phone">
      <Box as="h3" fontSize="17px" fontWeight={600} paddingBottom="2">
        On a phone
      </Box>
      {secure ? (
        <Flex gap="5" wrap="wrap" align="flex-start">
          <img
            src={`data:image/svg+xml,${encodeURIComponent(pairing.picture)}`}
            alt={`QR code of ${pairing.address} with the code`}
            width={170}
            height={170}
          />
          <Box as="ol" flex="1 1 260px" css={STEPS}>
            <li>
              On the same network, open <b>{pairing.address}/emulsa.crt</b>. The browser warns: go
              on once. It loads the certificate of this machine. Its fingerprint must be{" "}
              <Box as="span" fontSize="13px" overflowWrap="anywhere">
                {pairing.fingerprint}
              </Box>
            </li>
            <li>
              Trust it. Android: Settings, Security, Encryption and credentials, Install a
              certificate, CA certificate. iOS: Settings, Profile downloaded, Install; then General,
              About, Certificate trust settings, on.
            </li>
            <li>
              Open the address in the picture, put it on the home screen, and open it from there.
              Type the code <b>{pairing.code}</b>, and take the copy under Kit, Carry along.
            </li>
          </Box>
        </Flex>
      ) : (
        <Box>
          A phone needs an address by https. Stop Emulsa, start it with{" "}
          <b>emulsa serve --network</b>, and come back here.
        </Box>
      )}
      <Small paddingTop="2">
        What trusting means: this machine may vouch for addresses of home networks, and for nothing
        else. To take it back: remove the certificate “Emulsa at home” where it was installed.
      </Small>
    </Box>
  );
}

const STEPS = { paddingLeft: "22px", listStyle: "decimal", "& li": { paddingBottom: "8px" } };
