import "../index.css";

import { StrictMode } from "react";
import { createRoot } from "react-dom/client";

import { shareNonce } from "../ui/nonce";
import { PadApp } from "./PadApp";

import { StoreContext } from "./StoreContext";
import { PadStore } from "./store";
import { keepCurrent } from "./worker";

shareNonce();

const store = new PadStore();
const surroundings = keepCurrent(store);

const root = document.getElementById("root");
if (!root) throw new Error("pad.html has no #root");
createRoot(root).render(
  <StrictMode>
    <StoreContext value={store}>
      <PadApp surroundings={surroundings} />
    </StoreContext>
  </StrictMode>,
);
