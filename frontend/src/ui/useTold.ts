/** The state of something that tells when it changes, and knows no React. */
import { useSyncExternalStore } from "react";

interface Teller<State> {
  subscribe: (listener: () => void) => () => void;
  getState: () => State;
}

export function useTold<State>(teller: Teller<State>): State {
  return useSyncExternalStore(teller.subscribe, teller.getState);
}
