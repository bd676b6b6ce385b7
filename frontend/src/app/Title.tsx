/** What stands in the browser's tab: each bench, and what lies on it. */
import { useQuery } from "@tanstack/react-query";
import { useLocation } from "react-router";
import { kitsQuery } from "../api/kits";
import { pagesQuery } from "../api/pages";
import { photosQuery } from "../api/photos";

export function Title() {
  const { data: kits } = useQuery(kitsQuery);
  const { data: pages } = useQuery(pagesQuery);
  const [, bench = "", id = "", part = ""] = useLocation().pathname.split("/");
  const { data: photos } = useQuery({ ...photosQuery, enabled: bench === "photos" });
  const page = pages?.find((one) => one.saved.id === id)?.page.name;
  const kit = kits?.find((one) => one.saved.id === id)?.kit.name;
  const photo = photos?.find((one) => one.saved.id === id)?.photo.name;
  const found: Record<string, string> = {
    unpack: (kit ?? kits?.[0]?.kit.name) || "Unpack",
    photos: id === "prints" ? "Print sheets" : (photo ?? "Photos"),
    page: id === "together" ? "Pages together" : part ? `${page}, variants` : (page ?? "Pages"),
    rules: "House rules",
    check: id === "learn" ? "Learn to see" : page ? `${page}, check` : "Check",
    cut: part ? `${page}, cutting` : page ? `${page}, cut list` : "Cut",
    build: page ? `${page}, building` : "Build",
    log: id === "book" ? "The kit’s book" : page ? `${page}, finished` : "Log",
  };
  return <title>{found[bench] ? `${found[bench]} · Ulna` : "Ulna"}</title>;
}
