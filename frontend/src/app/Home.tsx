/** Opens where there is something to do: the pages, or the first kit to unpack. */
import { useQuery } from "@tanstack/react-query";
import { Navigate } from "react-router";
import { kitsQuery } from "../api/kits";

export function Home() {
  const { data } = useQuery(kitsQuery);
  if (!data) return null;
  return <Navigate to={data.length ? "/page" : "/unpack"} replace />;
}
