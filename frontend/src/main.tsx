import "@fontsource/inter/latin-400.css";
import "@fontsource/inter/latin-700.css";
import "@fontsource/literata/latin-400.css";
import "@fontsource/literata/latin-600.css";
import { createRoot } from "react-dom/client";
import { App } from "./app/App";

const root = document.getElementById("root");
if (root) createRoot(root).render(<App />);
