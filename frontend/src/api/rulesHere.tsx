/** The house rules that hold for the page one is at; nothing where one is at none: there the household's hold. */
import { createContext, useContext } from "react";
import type { Schemas } from "./client";

export type Rules = Schemas["Rules"];
export type PageUnit = "in" | "mm";

const Context = createContext<Rules | null>(null);
export const RulesHere = Context.Provider;

export function useRulesHere(): Rules | null {
  return useContext(Context);
}

/** The unit that a rule gives the page; nothing where it is the household's. */
export function useUnitHere(): PageUnit | null {
  const unit = useRulesHere()?.unit;
  return unit === "in" || unit === "mm" ? unit : null;
}
