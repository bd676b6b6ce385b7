/** Middles that are cut out from under other paper, drawn over the page: the knife's line, and what is looked at. */
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";
import { box } from "./scale";

interface Props {
  offers: readonly Schemas["GutOffer"][];
  looked: Schemas["GutOffer"] | null;
  pixel: number;
}

export function Panels({ offers, looked, pixel }: Props) {
  return (
    <g style={{ pointerEvents: "none" }}>
      {offers.map((offer) => {
        const rect = box(offer.panel);
        const now = offer.piece === looked?.piece;
        return (
          <g key={offer.piece} data-panel={offer.piece}>
            <rect {...rect} fill={now ? colours.verdigris : "none"} fillOpacity={0.18} />
            <rect {...rect} fill="none" stroke="#fff" strokeOpacity={0.8} strokeWidth={3.4 * pixel} />
            <rect
              {...rect}
              fill="none"
              stroke={offer.gut ? colours.madder : colours.verdigris}
              strokeWidth={(now ? 2.4 : 1.4) * pixel}
              strokeDasharray={`${7 * pixel} ${4 * pixel}`}
            />
          </g>
        );
      })}
    </g>
  );
}
