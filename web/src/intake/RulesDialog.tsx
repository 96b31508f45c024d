import { Dialog } from "radix-ui";
import type { DeliveryView } from "../api/client";
import { useChangeRule, useForgetRule, useKnowledge } from "../api/queries";
import { useReturnFocus } from "../ui/returnFocus";
import { Select, words } from "../ui/FormDialog";

interface Props {
  delivery: DeliveryView;
  onClose: () => void;
}

/** What was learned from corrections for this client; each can be changed and forgotten. */
export function RulesDialog({ delivery, onClose }: Props) {
  const forget = useForgetRule(delivery.id);
  const returning = useReturnFocus();
  const change = useChangeRule(delivery.id);
  const categories = words(useKnowledge().data?.categories.map((one) => one.path));
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ground/60" />
        <Dialog.Content
          {...returning}
          className="fixed top-20 left-1/2 z-20 max-h-[82vh] w-[560px] -translate-x-1/2 overflow-y-auto border border-rule bg-raised p-5"
        >
          <Dialog.Title className="text-[15px] font-semibold">
            Learned {delivery.client ? `for ${delivery.client}` : "for deliveries without a client"}
          </Dialog.Title>
          <Dialog.Description className="mt-1 text-ink-2">
            Names of just these words, numbers and sides left aside, are put where you put them
            before. What you change here holds for the files of this delivery at once.
          </Dialog.Description>
          <table className="mt-3 w-full text-left">
            <thead>
              <tr className="text-[11px] text-ink-3">
                <th className="font-normal">Words</th>
                <th className="font-normal">Category</th>
                <th>
                  <span className="sr-only">Forget</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {delivery.rules.map((rule) => (
                <tr key={rule.id} className="border-t border-rule-2">
                  <td className="py-1">{rule.words}</td>
                  <td>
                    <Select
                      label={`Category of “${rule.words}”`}
                      value={rule.category}
                      choices={categories}
                      onChange={(category) => change.mutate({ rule: rule.id, category })}
                    />
                  </td>
                  <td className="text-right">
                    <button
                      className="underline underline-offset-2"
                      onClick={() => forget.mutate(rule.id)}
                    >
                      Forget “{rule.words}”
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Dialog.Close className="mt-4 border border-rule px-3 py-1">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
