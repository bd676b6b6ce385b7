/** The page that a bench is about: the one in its address, else the one that is likeliest wanted. */
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate, useParams } from "react-router";
import { type PageOut, pagesQuery } from "../api/pages";

export function usePageHere(bench: string, likeliest: (pages: PageOut[]) => PageOut | undefined) {
  const { id } = useParams();
  const { data: pages } = useQuery(pagesQuery);
  const navigate = useNavigate();
  // biome-ignore lint/correctness/useExhaustiveDependencies: chosen once the pages are there
  useEffect(() => {
    const first = pages && likeliest(pages);
    if (!id && first) navigate(`/${bench}/${first.saved.id}`, { replace: true });
  }, [id, pages, navigate]);
  return {
    pages,
    here: pages?.find((page) => page.saved.id === id),
    gone: Boolean(id && pages?.length),
    names: (pages ?? []).map((page) => [page.saved.id, page.page.name] as const),
    onPage: (other: string) => navigate(`/${bench}/${other}`),
  };
}
