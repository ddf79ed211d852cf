import { Plus } from "lucide-react";
import { longestText } from "@/core/lettering/options";
import { Button, IconButton } from "../../parts/button";
import { Section } from "../../parts/field";
import { newLettering } from "../../state/commands";
import { editLettering } from "../../state/edits/items";
import { setText } from "../../state/edits/letters";
import { studioNow, useLettering, useSelectedItem, useShape, useStudio } from "../../state/store";
import { BoardSection } from "./board-section";
import { LampSection } from "./lamp-section";
import { FacePicker } from "./face-picker";
import { FaceSection } from "./face-section";
import { ItemsSection } from "./items-section";
import { LettersSection } from "./letters-section";
import { LinesSection } from "./lines-section";
import { PlaceSection } from "./place-section";
import { SettingSection } from "./setting-section";
import { ShapeSection } from "./shape-section";

/** What the words are, in which face and how they are set; or what a shape is. */
export function WordsDrawer() {
  const item = useSelectedItem();
  const lettering = useLettering();
  const shape = useShape();
  // While letters are picked, what is done to them is at hand.
  const picking = useStudio((s) => s.tool === "letters");
  return (
    <>
      {!item && <NothingSelected />}
      {lettering && (
        <>
          <TextSection />
          {picking && <LettersSection lettering={lettering} />}
          <SettingSection lettering={lettering} />
          <FaceSection lettering={lettering} />
          <LinesSection lettering={lettering} />
          {!picking && <LettersSection lettering={lettering} />}
        </>
      )}
      {shape && <ShapeSection shape={shape} />}
      {item && <PlaceSection item={item} />}
      <ItemsSection />
      <BoardSection />
      <LampSection />
    </>
  );
}

function NothingSelected() {
  return (
    <Section title="Words">
      <p className="text-pencil">Click a lettering on the bench to work on it, or add one. Double-click it to type on the bench itself.</p>
      <Button look="primary" className="mt-2 w-full" onClick={newLettering}>
        <Plus className="size-4" /> Add a lettering
      </Button>
    </Section>
  );
}

function TextSection() {
  const lettering = useLettering()!;
  const selection = useStudio((s) => s.selection);
  const { change, settle } = studioNow();
  return (
    <Section
      title={selection.length > 1 ? `Words (${selection.length} items)` : "Words"}
      actions={
        <IconButton label="Add a lettering" keys="N" onClick={newLettering}>
          <Plus />
        </IconButton>
      }
    >
      <textarea
        id="words-text"
        aria-label="Text"
        placeholder="Type the words"
        dir="auto"
        className="h-[72px] w-full resize-y rounded-md border border-rule bg-sheet px-3 py-2 text-[15px] outline-none focus:border-accent"
        value={lettering.text}
        maxLength={longestText}
        spellCheck={false}
        onChange={(e) => {
          const text = e.target.value;
          change((w) => setText(w, lettering.id, text), `text ${lettering.id}`);
        }}
        onBlur={settle}
      />
      {lettering.text.length >= longestText && (
        <p className="text-warn">A lettering holds at most {longestText} characters; the rest was left out.</p>
      )}
      <FacePicker
        lettering={lettering}
        onChange={(face) =>
          change((w) =>
            editLettering(w, selection, (l) => {
              // Places on the axes belong to the face that has them.
              if (l.face !== face) [l.face, l.axes] = [face, {}];
            }),
          )
        }
      />
    </Section>
  );
}
