/** What is usual where nothing is said yet, in the person's unit; what is below it is drawn once it is known. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { createContext, type ReactNode, useContext } from "react";
import { client, type Schemas, take } from "./client";
import { type Rules, useRulesHere } from "./rulesHere";

export type Usual = Schemas["Usual"];
export type Offered = Schemas["Offered"];

const usualQuery = (rules: Rules | null) =>
  queryOptions({
    queryKey: ["usual", rules],
    queryFn: () => take(client.POST("/api/usual", { body: { rules } })),
    staleTime: Number.POSITIVE_INFINITY,
  });
/** What a page of that size can be added. */
export const menuQuery = ({ width, height }: { width: string; height: string }, rules: Rules | null) =>
  queryOptions({
    queryKey: ["menu", width, height, rules],
    queryFn: () => take(client.POST("/api/menu", { body: { width, height, rules } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

const Known = createContext<Usual | null>(null);

/** By the rules of where one is; what is known already stays until it is there. */
export function UsualProvider({ children }: { children: ReactNode }) {
  const known = useContext(Known);
  const { data = known } = useQuery(usualQuery(useRulesHere()));
  return <Known.Provider value={data}>{children}</Known.Provider>;
}

/** Draws what wants it once it is known. */
export function OnceUsual({ children }: { children: ReactNode }) {
  return useContext(Known) && children;
}

/** For what is drawn inside of `OnceUsual`. */
export function useUsual(): Usual {
  const usual = useContext(Known);
  if (!usual) throw new Error("what is usual is not known yet");
  return usual;
}
