import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "./theme/motion.css";
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { makeClient } from "./api/queryClient";
import { House } from "./app/House";
import { findMode } from "./field/mode";
import { system } from "./theme/system";

const root = document.getElementById("root");

// nothing is asked before it is known whom
void findMode().then(() => {
  if (!root) return;
  const queryClient = makeClient();
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <ChakraProvider value={system}>
          <House />
        </ChakraProvider>
      </QueryClientProvider>
    </StrictMode>,
  );
});
