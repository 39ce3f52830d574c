/** Which scheme is looked at, which one the class is taught by; copies, files, farewells. */
import { CopyPlus, Flag, FilePlus2 } from "lucide-react";

import { addressOf } from "../../api/client";
import type { SchemeList } from "../../api/schema";
import {
  useBringScheme,
  useCopyScheme,
  useFollowScheme,
  useForgetScheme,
} from "../../api/schemeQueries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { ConfirmButton } from "../../ui/ConfirmButton";
import { BringFile, SaveFile } from "../../ui/FileButtons";
import { ProblemNote } from "../../ui/states";

export function SchemeChoice({
  list,
  seen,
  onSeen,
}: {
  list: SchemeList;
  seen: string;
  onSeen: (key: string | undefined) => void;
}) {
  const follow = useFollowScheme();
  const copy = useCopyScheme();
  const bring = useBringScheme();
  const forget = useForgetScheme();
  const now = list.schemes.find(({ key }) => key === seen);
  const begin = (like: string, name: string) => {
    copy.mutate(
      { body: { like, name } },
      {
        onSuccess: ({ key }) => {
          onSeen(key);
        },
      },
    );
  };
  const problem = follow.error ?? copy.error ?? bring.error ?? forget.error;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Choice
          label="Scheme"
          value={seen}
          onChange={onSeen}
          options={list.schemes.map(({ key, name }) => ({
            value: key,
            label: (
              <>
                {name}
                {key === list.chosen ? <Flag aria-label="the class’s" size={16} /> : null}
              </>
            ),
          }))}
        />
        <Button
          disabled={seen === list.chosen || follow.isPending}
          onClick={() => {
            follow.mutate({ body: { key: seen } });
          }}
        >
          <Flag aria-hidden size={18} /> Teach by this
        </Button>
        <span className="flex-1" />
        <Button
          className="px-3"
          onClick={() => {
            begin(seen, now?.own ? `${now.name}, again` : "Our order");
          }}
        >
          <CopyPlus aria-hidden size={18} /> Copy
        </Button>
        <Button
          className="px-3"
          onClick={() => {
            begin("empty", "Our own");
          }}
        >
          <FilePlus2 aria-hidden size={18} /> New
        </Button>
        <SaveFile
          href={addressOf("/api/plan/files/scheme/{key}", { path: { key: seen } })}
          name={`${now?.name ?? "scheme"}.json`}
          label="Save"
        />
        <BringFile
          label="Bring a scheme"
          onText={(text) => {
            bring.mutate(
              { body: { text } },
              {
                onSuccess: ({ key }) => {
                  onSeen(key);
                },
              },
            );
          }}
        />
        {now?.own ? (
          <ConfirmButton
            label="Forget"
            question={`Forget “${now.name}”? It cannot be brought back, unless you have saved it as a file.`}
            yes="Forget it"
            onYes={() => {
              forget.mutate({ params: { path: { key: seen } } });
              onSeen(undefined);
            }}
          />
        ) : null}
      </div>
      {problem ? <ProblemNote error={problem} /> : null}
    </div>
  );
}
