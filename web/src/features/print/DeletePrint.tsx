import { Box } from "@chakra-ui/react";
import { useLocation } from "wouter";
import { Button } from "../../components/Button";
import { say } from "../../shared/saying";
import { useWrite } from "../../shared/useWrite";
import { deletePrint, type Print } from "./queries";

/** A print that is not wanted any more, with its strips and tries; undo brings it back. */
export function DeletePrint({ print }: { print: Print }) {
  const [, navigate] = useLocation();
  const { write, busy } = useWrite();
  return (
    <Box>
      <Button
        variant="quiet"
        disabled={busy}
        onClick={() =>
          void write(deletePrint(print.id), {
            at_once: () => {
              navigate("/print");
              say(`Deleted ${print.title}. Undo brings it back.`);
            },
          })
        }
      >
        Delete print
      </Button>
    </Box>
  );
}
