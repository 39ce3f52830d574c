/**
 * The navigation: one line of handwriting that runs through the page's head and makes a loop for
 * each station; the loop of the station one is in is inked. Keys 1 to 5 go there as well.
 */
import { useEffect, useRef } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";

import { ClassMenu } from "./ClassMenu";
import { Help } from "./Help";
import { useShortcuts } from "./useShortcuts";
import { pathTo, placeOf, STATIONS } from "./stations";

/** A loop on the line, 150 wide: in from the left on the base, up, round, and out to the right. */
const LOOP = "M0 38C28 38 62 31 62 15 62 4 42 4 42 16 42 31 74 38 150 38";

export function StationLine({ className }: { className: string | undefined }) {
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const { station: here, letter } = placeOf(pathname);
  const lastLetter = useRef(letter);
  useEffect(() => {
    if (letter) lastLetter.current = letter;
  }, [letter]);

  useShortcuts(
    Object.fromEntries(
      STATIONS.map((station, at) => [
        String(at + 1),
        () => void navigate(pathTo(station, letter ?? lastLetter.current)),
      ]),
    ),
  );

  return (
    <header className="flex items-end overflow-hidden bg-paper max-md:flex-col max-md:items-stretch">
      <div className="relative self-stretch max-lg:hidden">
        <p className="px-5 pt-2.5 text-xl leading-none font-bold whitespace-nowrap">First Loop</p>
        <span className="absolute inset-x-0 bottom-[5.5px] border-b-2 border-rule" aria-hidden />
      </div>
      <nav aria-label="Stations">
        <ul className="flex">
          {STATIONS.map((station, at) => (
            <li key={station.key} className="max-md:min-w-0 max-md:flex-1">
              <NavLink
                to={pathTo(station, letter)}
                aria-current={station.key === here ? "page" : undefined}
                aria-keyshortcuts={String(at + 1)}
                className="group relative block h-16 outline-offset-[-3px] md:h-11 md:w-[104px] lg:w-[150px]"
              >
                <svg
                  viewBox="0 0 150 44"
                  preserveAspectRatio="none"
                  className="absolute inset-x-0 top-0 h-11 w-full"
                  aria-hidden
                >
                  <path
                    d={LOOP}
                    fill="none"
                    strokeLinecap="butt"
                    className="stroke-rule stroke-2 group-hover:stroke-rule-deep group-aria-[current=page]:stroke-ink group-aria-[current=page]:stroke-[3.5]"
                  />
                </svg>
                <span className="absolute text-lg leading-none text-soft max-md:inset-x-0 max-md:bottom-0.5 max-md:text-center md:bottom-2.5 md:left-[50%] group-hover:text-ink group-aria-[current=page]:font-bold group-aria-[current=page]:text-ink">
                  {station.name}
                </span>
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      <div className="relative flex-1 self-stretch max-md:order-first">
        <div className="flex items-center justify-end gap-2 px-3 pt-0.5 leading-none">
          {className === undefined ? null : <ClassMenu name={className} />}
          <Help />
        </div>
        <span
          className="absolute inset-x-0 bottom-[5.5px] border-b-2 border-rule max-md:hidden"
          aria-hidden
        />
      </div>
    </header>
  );
}
