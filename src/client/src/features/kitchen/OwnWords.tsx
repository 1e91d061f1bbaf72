import { useState } from "react";
import { answer, api, type KitchenThings } from "../../api/client";
import { KeepButtons, TextButton } from "../../ui/buttons";
import { TextField } from "../../ui/fields";
import { codeOf, useKeep } from "../../ui/useKeep";
import type { Room } from "./KitchenPage";
import { AddNew, Item, Removed } from "./parts";
import { say } from "../../wording/say";

type Word = KitchenThings["words"][number];

const keepWord = (body: Word) => answer(api.PUT("/api/kitchen/words", { body }));

/** The maker's own words: wherever one is typed, it stands for others. */
export function OwnWords({ things }: Room) {
  const [removed, setRemoved] = useState<Word>();
  const keep = useKeep(keepWord, () => setRemoved(undefined));
  const form = (item: Word | undefined, close: () => void) => (
    <WordForm item={item} taken={things.words.map((w) => w.code)} close={close} onRemoved={setRemoved} />
  );
  return (
    <>
      <AddNew label={say("kitchen.add-my-own-word")} form={(close) => form(undefined, close)} />
      <Removed name={removed?.word} putBack={() => removed && keep.mutate(removed)} />
      {things.words.length === 0 && <p className="text-ink2">{say("kitchen.say-once-what-your-own")}</p>}
      <ul>
        {things.words.map((item) => (
          <Item
            key={item.code}
            name={`“${item.word}”`}
            change={say("kitchen.change-4", { word: item.word })}
            facts={say("kitchen.means", { means: item.means })}
            form={(close) => form(item, close)}
          />
        ))}
      </ul>
    </>
  );
}

function WordForm(props: {
  item: Word | undefined;
  taken: string[];
  close: () => void;
  onRemoved: (word: Word) => void;
}) {
  const { item } = props;
  const [word, setWord] = useState<Word>(item ?? { code: "", word: "", means: "" });
  const keep = useKeep(keepWord, props.close);
  const remove = useKeep(
    (code: string) => answer(api.DELETE("/api/kitchen/words/{code}", { params: { path: { code } } })),
    () => {
      if (item) props.onRemoved(item);
      props.close();
    },
  );
  const change = (part: Partial<Word>) => setWord((w) => ({ ...w, ...part }));
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate({ ...word, code: word.code || codeOf(word.word, props.taken) });
      }}
    >
      <div className="grid gap-4 sm:grid-cols-[1fr_2fr]">
        <TextField
          label={say("kitchen.word")}
          value={word.word}
          onChange={(w) => change({ word: w })}
          error={keep.errorOf("word")}
        />
        <TextField
          label={say("kitchen.means-2")}
          value={word.means}
          onChange={(means) => change({ means })}
          error={keep.errorOf("means")}
        />
      </div>
      <KeepButtons pending={keep.isPending} error={keep.error ?? remove.error} cancel={props.close}>
        {item && <TextButton onClick={() => remove.mutate(item.code)}>{say("ui.remove-2")}</TextButton>}
      </KeepButtons>
    </form>
  );
}
