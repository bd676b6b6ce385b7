/** The unit in which a page is measured, where a rule gives it one; elsewhere it is the household's. */
import { createContext, type ReactNode, useContext } from "react";

export type PageUnit = "in" | "mm";

const Named = createContext<PageUnit | null>(null);

export function UnitHere({ unit, children }: { unit: PageUnit | null; children: ReactNode }) {
  return <Named.Provider value={unit}>{children}</Named.Provider>;
}

export function useUnitHere(): PageUnit | null {
  return useContext(Named);
}
