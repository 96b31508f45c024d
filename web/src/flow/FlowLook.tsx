import type { MixView } from "../api/client";
import { FlowPicture } from "./FlowPicture";
import type { Selection } from "./selection";

interface Props {
  view: MixView;
  /** What is lit. */
  selection: Selection;
  onSelect?: (selection: Selection) => void;
}

const NOTHING_FOLDED = { folded: new Set<string>(), only: undefined, buses: false };
const ignore = () => undefined;

/** A Flow for looking at: of a Mix that is not there yet, so that nothing can be done in it. */
export function FlowLook({ view, selection, onSelect = ignore }: Props) {
  return (
    <FlowPicture
      view={view}
      state={NOTHING_FOLDED}
      selection={selection}
      onSelect={onSelect}
      onFocus={ignore}
      onFold={ignore}
      onSendTo={ignore}
    />
  );
}
