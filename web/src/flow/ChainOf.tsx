import type { Channel, Edit, MixView } from "../api/client";
import { LargeDialog } from "../ui/LargeDialog";
import { ChainPart } from "./ChainPart";

interface Props {
  view: MixView;
  channel: Channel;
  /** The others that are picked. */
  others: string[];
  /** Asks for a change; a refusal is said where it was asked for. */
  onEdit: (edit: Edit) => Promise<unknown>;
  /** The same, with a refusal said at the foot of the page. */
  onAct: (edit: Edit) => void;
  wide?: boolean;
}

/** The chain of a channel, and what changes in it as edits of the Mix. */
export function ChainOf({ view, channel, others, onEdit, onAct, wide }: Props) {
  const { channels } = view.document;
  return (
    <ChainPart
      view={view}
      channel={channel}
      name={(id) => channels.find((one) => one.id === id)?.name}
      onChange={(set) => onEdit({ edit: "set-channels", channels: [channel.id], set })}
      onAct={(set) => onAct({ edit: "set-channels", channels: [channel.id], set })}
      others={others.length}
      onAlike={(insert, set) =>
        onEdit({ edit: "set-alike", channel: channel.id, insert, others, set })
      }
      wide={wide}
    />
  );
}

interface WideProps extends Omit<Props, "channel" | "others" | "wide"> {
  picked: string[];
  onClose: () => void;
}

/** All processors of a chain at once, with their pictures, as wide as the page. */
export function WideChain({ picked, onClose, ...rest }: WideProps) {
  const channel = rest.view.document.channels.find((one) => one.id === picked[0]);
  return (
    channel && (
      <LargeDialog
        title={`Chain of “${channel.name}”`}
        description="From the first to the last. Alt ↑ and Alt ↓ on a name move it; each change is one undo."
        onClose={onClose}
      >
        <div className="overflow-y-auto px-5 py-3">
          {channel.chain.length === 0 && (
            <p className="text-ink-2">
              There is no processor yet. I adds some, L puts a chain from the shelf.
            </p>
          )}
          <ChainOf channel={channel} others={picked.slice(1)} wide {...rest} />
        </div>
      </LargeDialog>
    )
  );
}
