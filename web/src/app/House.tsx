import { createBrowserRouter, createHashRouter } from "react-router";
import { Broken } from "./Broken";
import { Home } from "./Home";
import { Shell } from "./Shell";

// a page that is one file has no addresses of its own
const made = import.meta.env.MODE === "single" ? createHashRouter : createBrowserRouter;

export const router = made([
  {
    element: <Shell />,
    HydrateFallback: () => null,
    children: [
      {
        errorElement: <Broken />,
        children: [
          { index: true, element: <Home /> },
          {
            path: "outing",
            lazy: async () => ({ Component: (await import("../features/outing")).OutingRoom }),
          },
          {
            path: "scene/:id?",
            lazy: async () => ({ Component: (await import("../features/scene")).SceneRoom }),
          },
          {
            path: "film",
            lazy: async () => ({ Component: (await import("../features/film")).HoldersPart }),
          },
          {
            path: "film/rolls",
            lazy: async () => ({ Component: (await import("../features/film")).RollsPart }),
          },
          {
            path: "film/stock",
            lazy: async () => ({ Component: (await import("../features/film")).StockPart }),
          },
          {
            path: "darkroom",
            lazy: async () => ({ Component: (await import("../features/darkroom")).DarkroomRoom }),
          },
          {
            path: "darkroom/mixing",
            lazy: async () => ({ Component: (await import("../features/mixing")).MixingPage }),
          },
          {
            path: "darkroom/evening",
            lazy: async () => ({ Component: (await import("../features/evening")).EveningPage }),
          },
          {
            path: "bench",
            lazy: async () => ({ Component: (await import("../features/bench")).BenchRoom }),
          },
          {
            path: "bench/film/:id",
            lazy: async () => ({ Component: (await import("../features/emulsion")).FilmPage }),
          },
          {
            path: "bench/:id",
            lazy: async () => ({ Component: (await import("../features/bench")).TestPage }),
          },
          {
            path: "print",
            lazy: async () => ({ Component: (await import("../features/print")).PrintRoom }),
          },
          {
            path: "print/:id",
            lazy: async () => ({ Component: (await import("../features/print")).PrintPage }),
          },
          {
            path: "log",
            lazy: async () => ({ Component: (await import("../features/log")).LogRoom }),
          },
          {
            path: "log/together",
            lazy: async () => ({ Component: (await import("../features/looking")).LookingPage }),
          },
          {
            path: "log/:id",
            lazy: async () => ({ Component: (await import("../features/log")).ExposurePage }),
          },
          {
            path: "practice",
            lazy: async () => ({ Component: (await import("../features/practice")).PracticeRoom }),
          },
          {
            path: "practice/questions",
            lazy: async () => ({ Component: (await import("../features/practice")).QuestionsPage }),
          },
          {
            path: "practice/scene/:id",
            lazy: async () => ({ Component: (await import("../features/scene")).PractisedRoom }),
          },
          {
            path: "kit",
            lazy: async () => ({ Component: (await import("../features/kit")).KitRoom }),
          },
          { path: "*", lazy: async () => ({ Component: (await import("./Lost")).Lost }) },
        ],
      },
    ],
  },
]);
