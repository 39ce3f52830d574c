/** A hand as a font for a word processor: how it looks, what it is called, how to put it in. */
import { useState } from "react";

import { addressOf } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { SaveFile } from "../../ui/FileButtons";

const STYLES = [
  { value: "solid", label: "As written" },
  { value: "dotted", label: "Dotted, to trace" },
  { value: "arrows", label: "Dotted, with starts and arrows" },
] as const;
type FontStyle = (typeof STYLES)[number]["value"];
const LONGEST_NAME = 60;
const LONGEST_LICENCE = 200;

/** Where the font is. */
function fileOf(hand: string, query: Record<string, string>): string {
  return addressOf("/api/plan/files/font/{name}", { path: { name: hand }, query });
}

/** A line to type in, set in the font itself. */
function TryIt({ hand, style }: { hand: string; style: FontStyle }) {
  const [text, setText] = useState("a quick jump over it");
  const [loads, setLoads] = useState<"not yet" | "loading" | "there" | "failed">("not yet");
  const family = `tried ${style}`;
  const load = () => {
    setLoads("loading");
    const font = new FontFace(family, `url("${fileOf(hand, { style })}")`);
    font.load().then(
      (loaded) => {
        document.fonts.add(loaded);
        setLoads("there");
      },
      () => {
        setLoads("failed");
      },
    );
  };
  if (loads !== "there") {
    return (
      <div className="flex items-center gap-3">
        <Button onClick={load} disabled={loads === "loading"}>
          {loads === "loading" ? "It is being made …" : "Type in it here"}
        </Button>
        {loads === "failed" ? (
          <p role="alert" className="text-ember">
            The font could not be made. Try once more.
          </p>
        ) : null}
      </div>
    );
  }
  return (
    <input
      aria-label={`Type in ${hand}`}
      value={text}
      maxLength={LONGEST_NAME}
      spellCheck={false}
      onChange={(event) => {
        setText(event.target.value);
      }}
      style={{ fontFamily: `"${family}"` }}
      className="w-full rounded-lg border-2 border-crease bg-leaf px-4 text-6xl leading-normal"
    />
  );
}

export function FontPart({ hand }: { hand: string }) {
  const [style, setStyle] = useState<FontStyle>("solid");
  const [family, setFamily] = useState("");
  const [licence, setLicence] = useState("");
  return (
    <section aria-label="As a font" className="flex max-w-3xl min-w-0 flex-1 flex-col gap-4">
      <h2 className="text-xl font-bold">{hand} as a font</h2>
      <Choice label="Look of the font" value={style} onChange={setStyle} options={STYLES} />
      <label className="flex items-center gap-3">
        <span className="w-32">It is called</span>
        <input
          value={family}
          maxLength={LONGEST_NAME}
          placeholder={hand}
          onChange={(event) => {
            setFamily(event.target.value);
          }}
          className="min-h-11 w-72 rounded-md border-2 border-crease bg-leaf px-3"
        />
      </label>
      <label className="flex items-center gap-3">
        <span className="w-32">Who may use it</span>
        <input
          value={licence}
          maxLength={LONGEST_LICENCE}
          placeholder="left open"
          onChange={(event) => {
            setLicence(event.target.value);
          }}
          className="min-h-11 w-96 rounded-md border-2 border-crease bg-leaf px-3"
        />
      </label>
      <TryIt key={style} hand={hand} style={style} />
      <div>
        <SaveFile
          href={fileOf(hand, {
            style,
            ...(family ? { family } : {}),
            ...(licence ? { licence } : {}),
          })}
          name={`${family || hand}-${style}.otf`}
          label="Save the font"
        />
        <p className="pt-1 text-sm text-soft">It takes some seconds to be made.</p>
      </div>
      <h3 className="font-bold">To put it in</h3>
      <ol className="flex list-decimal flex-col gap-1 pl-5">
        <li>Save the file, then open it: the computer shows the letters and asks to install it.</li>
        <li>Close your word processor and open it again; the font is in its list by this name.</li>
        <li>
          Letters that join do so by themselves as you type. If they stand apart, switch on
          “contextual alternates” for the text, and kerning.
        </li>
        <li>
          Set the size by the body of a small letter: at 34 points it is 6 mm high, at 45 points 8
          mm.
        </li>
      </ol>
    </section>
  );
}
