/** What is usual where nothing is said yet, in the person's unit; what is below it is drawn once it is known. */
import { queryOptions, useQuery } from "@tanstack/react-query";
import { createContext, type ReactNode, useContext } from "react";
import { client, type Schemas, take } from "./client";

export type Usual = Schemas["Usual"];
export type Offered = Schemas["Offered"];

const usualQuery = queryOptions({
  queryKey: ["usual"],
  queryFn: () => take(client.GET("/api/usual")),
  staleTime: Number.POSITIVE_INFINITY,
});
/** What a page of that size can be added. */
export const menuQuery = ({ width, height }: { width: string; height: string }) =>
  queryOptions({
    queryKey: ["menu", width, height],
    queryFn: () => take(client.POST("/api/menu", { body: { width, height } })),
    staleTime: Number.POSITIVE_INFINITY,
  });

const Known = createContext<Usual | null>(null);

export function UsualProvider({ children }: { children: ReactNode }) {
  const { data = null } = useQuery(usualQuery);
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
