import type { DeliveryView } from "../api/client";
import { useChangeRule, useForgetRule } from "../resources/deliveries";
import { useKnowledge } from "../resources/knowledge";
import { CloseButton, Window } from "../ui/Window";
import { Select, words } from "../ui/FormDialog";

interface Props {
  delivery: DeliveryView;
  onClose: () => void;
}

/** What was learned from corrections for this client; each can be changed and forgotten. */
export function RulesDialog({ delivery, onClose }: Props) {
  const forget = useForgetRule(delivery.id);
  const change = useChangeRule(delivery.id);
  const categories = words(useKnowledge().data?.categories.map((one) => one.path));
  return (
    <Window
      size="wide"
      title={`Learned ${delivery.client ? `for ${delivery.client}` : "for deliveries without a client"}`}
      description="Names of just these words, numbers and sides left aside, are put where you put them before. What you change here holds for the files of this delivery at once."
      onClose={onClose}
    >
      <table className="mt-3 w-full text-left">
        <thead>
          <tr className="text-tiny text-ink-3">
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
      <CloseButton />
    </Window>
  );
}
