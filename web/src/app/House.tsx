import {
  Component,
  type ComponentType,
  lazy,
  type ReactNode,
  Suspense,
  useDeferredValue,
} from "react";
import {
  type BaseLocationHook,
  Route,
  Router,
  type RouterOptions,
  Switch,
  useLocation,
} from "wouter";
import { useBrowserLocation, useSearch } from "wouter/use-browser-location";
import { useHashLocation } from "wouter/use-hash-location";
import { Broken } from "./Broken";
import { Home } from "./Home";
import { Shell } from "./Shell";

// a page that is one file has no addresses of its own
const SINGLE = import.meta.env.MODE === "single";
const usePlace = SINGLE ? useHashLocation : useBrowserLocation;

/** The address as it is shown: of the room that was left, until the next one is there. */
const useShown: BaseLocationHook = () => {
  const [path, navigate] = usePlace();
  return [useDeferredValue(path), navigate];
};

const useQueryShown = () => useDeferredValue(useSearch());

/** Where one is already one does not go again; in one file what was asked before is taken off. */
const going: RouterOptions["aroundNav"] = (navigate, to, options) => {
  const { pathname, search } = window.location;
  const replace = options?.replace || (!SINGLE && to === pathname + search);
  navigate(SINGLE && !to.includes("?") ? `${to}?` : to, { ...options, replace });
};

/** A page of a room, fetched when it is first opened. */
function page<Room>(fetched: () => Promise<Room>, of: (room: Room) => ComponentType) {
  return lazy(async () => ({ default: of(await fetched()) }));
}

const bench = () => import("../features/bench");
const darkroom = () => import("../features/darkroom");
const emulsion = () => import("../features/emulsion");
const evening = () => import("../features/evening");
const film = () => import("../features/film");
const kit = () => import("../features/kit");
const log = () => import("../features/log");
const looking = () => import("../features/looking");
const mixing = () => import("../features/mixing");
const outing = () => import("../features/outing");
const practice = () => import("../features/practice");
const print = () => import("../features/print");
const scene = () => import("../features/scene");
const lost = () => import("./Lost");

const PAGES = {
  "/outing": page(outing, (room) => room.OutingRoom),
  "/scene/:id?": page(scene, (room) => room.SceneRoom),
  "/film": page(film, (room) => room.HoldersPart),
  "/film/rolls": page(film, (room) => room.RollsPart),
  "/film/stock": page(film, (room) => room.StockPart),
  "/darkroom": page(darkroom, (room) => room.DarkroomRoom),
  "/darkroom/mixing": page(mixing, (room) => room.MixingPage),
  "/darkroom/evening": page(evening, (room) => room.EveningPage),
  "/bench": page(bench, (room) => room.BenchRoom),
  "/bench/film/:id": page(emulsion, (room) => room.FilmPage),
  "/bench/:id": page(bench, (room) => room.TestPage),
  "/print": page(print, (room) => room.PrintRoom),
  "/print/:id": page(print, (room) => room.PrintPage),
  "/log": page(log, (room) => room.LogRoom),
  "/log/together": page(looking, (room) => room.LookingPage),
  "/log/:id": page(log, (room) => room.ExposurePage),
  "/practice": page(practice, (room) => room.PracticeRoom),
  "/practice/questions": page(practice, (room) => room.QuestionsPage),
  "/practice/scene/:id": page(scene, (room) => room.PractisedRoom),
  "/kit": page(kit, (room) => room.KitRoom),
  "/*": page(lost, (room) => room.Lost),
};

/** What a room throws, or the house around it, is said in its place; another room is tried. */
class Holding extends Component<{ at: string; children: ReactNode }, { failed: boolean }> {
  state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  componentDidUpdate(before: { at: string }) {
    if (this.state.failed && before.at !== this.props.at) this.setState({ failed: false });
  }

  render() {
    return this.state.failed ? <Broken /> : this.props.children;
  }
}

/** The room of the address; the one before it stays until it is there. */
export function Room() {
  const [at] = useLocation();
  return (
    <Suspense>
      <Holding at={at}>
        <Switch>
          <Route path="/" component={Home} />
          {Object.entries(PAGES).map(([path, Page]) => (
            <Route key={path} path={path} component={Page} />
          ))}
        </Switch>
      </Holding>
    </Suspense>
  );
}

/** The house: what stands in every room, and the room of the address. */
export function House() {
  return (
    <Router
      hook={useShown}
      searchHook={useQueryShown}
      hrefs={SINGLE ? (to) => `#${to}` : undefined}
      aroundNav={going}
    >
      <Holding at="">
        <Shell>
          <Room />
        </Shell>
      </Holding>
    </Router>
  );
}
