import { useQuery } from "@tanstack/react-query";
import { Redirect } from "wouter";
import { outingsQuery } from "../api/queries";

/** The day's outing; where there is none yet, a scene ready to type in. */
export function Home() {
  const outings = useQuery(outingsQuery());
  if (!outings.data && !outings.error) return null;
  return <Redirect to={outings.data?.length === 0 ? "/scene" : "/outing"} replace />;
}
