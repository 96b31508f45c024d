import { ContextMenu } from "radix-ui";
import type { ReactNode } from "react";
import { useActs } from "../shell/acts";
import { shown } from "../shell/keys";

/** What a right click on a row offers: the same acts as the bar and the keys. */
const OFFERED = [
  ["send-to", "fan", "control"],
  ["chain", "wide-chain", "put-chain", "keep-chain"],
  ["category", "colour", "rename", "group"],
  ["duplicate", "mute", "stow", "remove"],
  ["hear", "fold", "only", "create"],
];

export function RowMenu({ children }: { children: ReactNode }) {
  const acts = useActs();
  return (
    <ContextMenu.Root>
      <ContextMenu.Trigger asChild>{children}</ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content
          aria-label="What to do with the picked channels"
          className="z-20 min-w-52 border border-rule bg-raised py-1 text-small"
        >
          {OFFERED.map((ids, i) => (
            <ContextMenu.Group
              key={ids[0]}
              className={i > 0 ? "mt-1 border-t border-rule-2 pt-1" : ""}
            >
              {ids.map((id) => {
                const act = acts.find((one) => one.id === id);
                return (
                  act && (
                    <ContextMenu.Item
                      key={id}
                      disabled={act.can === false}
                      // After the menu has gone, and has given the keyboard back.
                      onSelect={() => setTimeout(act.run)}
                      className="flex min-h-6 items-center justify-between gap-6 px-3 outline-none data-disabled:text-ink-3 data-highlighted:bg-active-ground"
                    >
                      {act.label}
                      {act.key && <kbd>{shown(act.key)}</kbd>}
                    </ContextMenu.Item>
                  )
                );
              })}
            </ContextMenu.Group>
          ))}
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  );
}
