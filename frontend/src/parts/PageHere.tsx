/** The page on which a part is, for fields that ask about it; nothing where parts are shown elsewhere. */
import { createContext, useContext } from "react";
import type { Recipe } from "../api/pages";
import type { Evaluated } from "../api/recipe";

export interface Here {
  id: string;
  page: Recipe;
  evaluated: Evaluated | undefined;
  /** Writes the page's story, which is one text wherever it stands. */
  tell: (story: string) => void;
}

const Context = createContext<Here | null>(null);
export const PageHere = Context.Provider;

export function usePageHere(): Here | null {
  return useContext(Context);
}
