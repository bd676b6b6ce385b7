/** The whole: theme, server queries, routes. Each bench is loaded when it is first opened. */

import CssBaseline from "@mui/material/CssBaseline";
import { ThemeProvider } from "@mui/material/styles";
import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, Suspense, useMemo } from "react";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import { answers } from "../api/asking";
import { OnceUsual, UsualProvider } from "../api/usual";
import { Doorway } from "./Doorway";
import { Frame } from "./Frame";
import { FrameProvider } from "./FrameContext";
import { Home } from "./Home";
import { useLight } from "./light";
import { themeIn } from "./theme";

const unpack = () => import("../benches/unpack/Unpack");
const photos = () => import("../benches/photos/Photos");
const pages = () => import("../benches/page/Pages");
const pageBench = () => import("../benches/page/PageBench");
const cut = () => import("../benches/cut/Cut");
const Unpack = lazy(unpack);
const Photos = lazy(photos);
const Prints = lazy(() => import("../benches/photos/Prints"));
const Pages = lazy(pages);
const PageBench = lazy(pageBench);
const Drafts = lazy(() => import("../benches/drafts/Drafts"));
const Month = lazy(() => import("../benches/drafts/Month"));
const Sketches = lazy(() => import("../benches/drafts/Sketches"));
const Together = lazy(() => import("../benches/page/Together"));
const Variants = lazy(() => import("../benches/page/Variants"));
const Book = lazy(() => import("../benches/log/Book"));
const HouseRules = lazy(() => import("./HouseRules"));
const Check = lazy(() => import("../benches/check/Check"));
const Build = lazy(() => import("../benches/build/Build"));
const Finish = lazy(() => import("../benches/log/Finish"));
const Album = lazy(() => import("../benches/log/Album"));
const Learn = lazy(() => import("../benches/check/Learn"));
const Cut = lazy(cut);
const CuttingBench = lazy(() => import("../benches/cut/CuttingBench"));
const Club = lazy(() => import("../benches/unpack/Club"));
const MachineBench = lazy(() => import("../benches/cut/MachineBench"));

/** The bench one comes in by is sent for while the household is asked, not after it. */
const [, first, further] = window.location.pathname.split("/");
const begun = { unpack, photos, cut, page: further ? pageBench : pages }[first || "page"];
begun?.().catch(() => undefined); // asked for again where it is drawn, and told there

const queries = answers();

export function App() {
  const light = useLight();
  const theme = useMemo(() => themeIn(light), [light]);
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline />
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Doorway>
            <UsualProvider>
              <FrameProvider>
                <Frame>
                  <OnceUsual>
                    <Suspense fallback={null}>
                      <Routes>
                        <Route path="/" element={<Home />} />
                        <Route path="/unpack/:id?" element={<Unpack />} />
                        <Route path="/club" element={<Club />} />
                        <Route path="/photos/prints" element={<Prints />} />
                        <Route path="/photos/:id?" element={<Photos />} />
                        <Route path="/page" element={<Pages />} />
                        <Route path="/page/together" element={<Together />} />
                        <Route path="/page/drafts" element={<Drafts />} />
                        <Route path="/page/sketches" element={<Sketches />} />
                        <Route path="/page/month" element={<Month />} />
                        <Route path="/page/:id" element={<PageBench />} />
                        <Route path="/page/:id/variants" element={<Variants />} />
                        <Route path="/rules" element={<HouseRules />} />
                        <Route path="/check/learn" element={<Learn />} />
                        <Route path="/check/:id?" element={<Check />} />
                        <Route path="/cut/:id?" element={<Cut />} />
                        <Route path="/cut/:id/bench" element={<CuttingBench />} />
                        <Route path="/cut/:id/machine" element={<MachineBench />} />
                        <Route path="/build/:id?" element={<Build />} />
                        <Route path="/log" element={<Album />} />
                        <Route path="/log/book" element={<Book />} />
                        <Route path="/log/:id" element={<Finish />} />
                        <Route path="*" element={<Navigate to="/" replace />} />
                      </Routes>
                    </Suspense>
                  </OnceUsual>
                </Frame>
              </FrameProvider>
            </UsualProvider>
          </Doorway>
        </BrowserRouter>
      </QueryClientProvider>
    </ThemeProvider>
  );
}
