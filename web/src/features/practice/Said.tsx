import { Box } from "@chakra-ui/react";
import type { Told } from "./queries";

/** What is said of an answer: right, or off by how much, what was likely thought, and the right way. */
export function Said({ told }: { told: Told }) {
  return (
    <Box paddingTop="4" role="status">
      <Box fontSize="22px" fontWeight={650} color={told.right ? "ink" : "ochre"}>
        {told.says}
        {!told.right && ` It is ${told.answer_text}.`}
      </Box>
      {told.explanation && (
        <Box
          background="ochreSoft"
          borderLeft="3px solid"
          borderColor="ochre"
          padding="3"
          marginTop="2"
          maxWidth="560px"
        >
          <b>{told.shortly}.</b> {told.explanation}
        </Box>
      )}
      <Box as="ul" aria-label="The right way" paddingTop="3" maxWidth="480px">
        {told.steps.map((step) => (
          <Box
            as="li"
            key={`${step.label} ${step.running}`}
            display="grid"
            gridTemplateColumns="minmax(0,1fr) auto 96px"
            gap="3"
            borderBottom="1px solid"
            borderColor="line"
            paddingBlock="1.5"
          >
            <span>{step.label}</span>
            <Box as="span" color="ink2">
              {step.amount}
            </Box>
            <Box as="span" textAlign="right" fontWeight={600}>
              {step.running}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
