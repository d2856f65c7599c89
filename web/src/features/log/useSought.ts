import { useAddress } from "../../shared/useAddress";
import { FILTERS, type Sought } from "./queries";

const VIEW = "view";
const PICTURES = "pictures";

/** What is looked for lives in the address: a search can be kept, shared and gone back to. */
export function useSought() {
  const [params, set] = useAddress();
  const sought: Sought = {};
  for (const name of FILTERS) {
    const value = params.get(name);
    if (value) sought[name] = value;
  }
  return {
    sought,
    seek: set as (more: Sought) => void,
    clear: () => set(Object.fromEntries(FILTERS.map((name) => [name, ""]))),
    pictures: params.get(VIEW) === PICTURES,
    look: (pictures: boolean) => set({ [VIEW]: pictures ? PICTURES : "" }),
  };
}
