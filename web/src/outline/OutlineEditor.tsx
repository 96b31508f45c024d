import {
  autocompletion,
  closeCompletion,
  completionKeymap,
  selectedCompletion,
  type CompletionSource,
} from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap, indentWithTab } from "@codemirror/commands";
import { indentUnit } from "@codemirror/language";
import { lintGutter, lintKeymap, setDiagnostics } from "@codemirror/lint";
import { EditorState, Prec, type Extension } from "@codemirror/state";
import {
  Decoration,
  drawSelection,
  EditorView,
  highlightActiveLine,
  keymap,
  lineNumbers,
  MatchDecorator,
  ViewPlugin,
  type DecorationSet,
  type ViewUpdate,
} from "@codemirror/view";
import { useEffect, useImperativeHandle, useRef, type Ref } from "react";
import type { OutlineFault } from "../api/client";
import { offered, pasted } from "../resources/outlines";
import { notify } from "../shell/notices";

/** What the place does with its editor. */
export interface EditorHandle {
  /** Puts the caret at the beginning of what a line says; lines count from 1. */
  goTo: (line: number, column?: number) => void;
}

interface Props {
  label: string;
  describedBy: string;
  text: string;
  faults: OutlineFault[];
  onChange: (text: string) => void;
  /** The line with the caret. */
  onLine: (line: number) => void;
  onMake: () => void;
  ref: Ref<EditorHandle>;
}

/** Marks recede behind names; which text is one, the server decides. */
const MARKS = new MatchDecorator({
  regexp:
    /(?<=\s)(?:[:#<&](?=\S)|[>^=]{1,3}(?=\s*\S))(?:"(?:[^"\\]|\\.)*"|[^"\s]|\s+(?![:#<>^=&]))*/g,
  decoration: Decoration.mark({ class: "outline-mark" }),
});

/** Blanks in front are as wide as steps, in a typeface whose blanks are narrow. */
const INDENT = new MatchDecorator({
  regexp: /^ +/g,
  decoration: Decoration.mark({ class: "outline-indent" }),
});

const decorated = (matcher: MatchDecorator) =>
  ViewPlugin.fromClass(
    class {
      decorations: DecorationSet;

      constructor(view: EditorView) {
        this.decorations = matcher.createDeco(view);
      }

      update(update: ViewUpdate) {
        this.decorations = matcher.updateDeco(update, this.decorations);
      }
    },
    { decorations: (plugin) => plugin.decorations },
  );

const complete: CompletionSource = async (context) => {
  const line = context.state.doc.lineAt(context.pos);
  const column = context.pos - line.from;
  const completion = await offered(context.state.doc.toString(), line.number, column).catch(
    () => undefined,
  );
  return completion && completion.choices.length > 0
    ? {
        from: line.from + completion.from,
        options: completion.choices.map((label) => ({ label })),
        validFor: /^[^:#<>^=&@,"+]*$/,
      }
    : null;
};

/** What is typed in full needs no choosing: Enter ends the line. */
function endLine(view: EditorView): boolean {
  const chosen = selectedCompletion(view.state);
  const head = view.state.selection.main.head;
  if (chosen && view.state.sliceDoc(0, head).endsWith(chosen.label)) {
    closeCompletion(view);
  }
  return false;
}

/** A list from elsewhere becomes lines that stand where the caret is. */
function paste(event: ClipboardEvent, view: EditorView): boolean {
  const text = event.clipboardData?.getData("text/plain") ?? "";
  if (!/[\n\t]/.test(text.trim())) {
    return false;
  }
  event.preventDefault();
  void pasted(text)
    .catch(() => ({ text, leftOut: [] as string[] }))
    .then((lines) => {
      const { from, to } = view.state.selection.main;
      const line = view.state.doc.lineAt(from);
      const indent = /^\s*/.exec(line.text.slice(0, from - line.from))?.[0] ?? "";
      const insert = lines.text.replace(/\n+$/, "").replace(/\n(?=[^\n])/g, `\n${indent}`);
      view.dispatch({
        changes: { from, to, insert },
        selection: { anchor: from + insert.length },
        userEvent: "input.paste",
        scrollIntoView: true,
      });
      if (lines.leftOut.length > 0) {
        notify(`Pasted; left out: ${lines.leftOut.join(", ")}.`);
      }
    });
  return true;
}

const LOOK = EditorView.theme({
  "&": { height: "100%", fontSize: "0.8125rem", color: "var(--ink)" },
  "&.cm-focused": { outline: "2px solid var(--active)", outlineOffset: "-2px" },
  ".cm-scroller": { fontFamily: "inherit", lineHeight: "1.5", overflow: "auto" },
  ".cm-content": { caretColor: "var(--ink)", fontVariantNumeric: "tabular-nums" },
  ".cm-line": { tabSize: "4" },
  ".cm-cursor": { borderLeftColor: "var(--ink)", borderLeftWidth: "2px" },
  ".cm-gutters": {
    background: "transparent",
    color: "var(--ink-3)",
    borderRight: "1px solid var(--rule-2)",
  },
  ".cm-activeLine, .cm-activeLineGutter": { background: "var(--active-ground)" },
  "&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground":
    { background: "var(--rule)" },
  ".outline-indent": { letterSpacing: "0.45em" },
  ".outline-mark": { color: "var(--ink-2)" },
  ".cm-tooltip": {
    background: "var(--raised)",
    border: "1px solid var(--rule)",
    color: "var(--ink)",
  },
  ".cm-tooltip.cm-tooltip-autocomplete > ul": { fontFamily: "inherit" },
  ".cm-tooltip-autocomplete ul li[aria-selected]": {
    background: "var(--active-ground)",
    color: "var(--ink)",
  },
  ".cm-diagnostic-error": { borderLeftColor: "var(--wrong)" },
  ".cm-lintRange-error": {
    backgroundImage: "none",
    textDecoration: "underline wavy var(--wrong)",
  },
});

/** The text, with what is wrong at its place and what could stand there. */
export function OutlineEditor(props: Props) {
  const { text, faults, ref, label, describedBy } = props;
  const place = useRef<HTMLDivElement>(null);
  const editor = useRef<EditorView>(undefined);
  const told = useRef(props);
  useEffect(() => {
    told.current = props;
  });
  useEffect(() => {
    const extensions: Extension[] = [
      lineNumbers(),
      history(),
      drawSelection(),
      highlightActiveLine(),
      lintGutter(),
      indentUnit.of("  "),
      EditorState.tabSize.of(2),
      autocompletion({ override: [complete], icons: false }),
      Prec.highest(
        keymap.of([
          { key: "Enter", run: endLine },
          {
            key: "Mod-Enter",
            run: () => {
              told.current.onMake();
              return true;
            },
          },
        ]),
      ),
      keymap.of([
        ...completionKeymap,
        ...historyKeymap,
        ...lintKeymap,
        indentWithTab,
        ...defaultKeymap,
      ]),
      decorated(MARKS),
      decorated(INDENT),
      LOOK,
      EditorView.domEventHandlers({ paste }),
      EditorView.contentAttributes.of({
        "aria-label": label,
        "aria-describedby": describedBy,
        tabindex: "0",
      }),
      EditorView.updateListener.of((update) => {
        if (update.docChanged && !update.transactions.some((one) => one.isUserEvent("set"))) {
          told.current.onChange(update.state.doc.toString());
        }
        if (update.docChanged || update.selectionSet) {
          told.current.onLine(update.state.doc.lineAt(update.state.selection.main.head).number);
        }
      }),
    ];
    const view = new EditorView({
      state: EditorState.create({ doc: told.current.text, extensions }),
      parent: place.current ?? undefined,
    });
    editor.current = view;
    return () => view.destroy();
  }, [label, describedBy]);
  useEffect(() => {
    const view = editor.current;
    if (view && view.state.doc.toString() !== text) {
      const at = Math.min(view.state.selection.main.head, text.length);
      view.dispatch({
        changes: { from: 0, to: view.state.doc.length, insert: text },
        selection: { anchor: at },
        userEvent: "set",
      });
    }
  }, [text]);
  useEffect(() => {
    const view = editor.current;
    if (view) {
      const { doc } = view.state;
      const diagnostics = faults
        .filter((fault) => fault.line >= 1 && fault.line <= doc.lines)
        .map((fault) => {
          const line = doc.line(fault.line);
          return {
            from: Math.min(line.from + fault.from, line.to),
            to: Math.min(line.from + fault.to, line.to),
            severity: "error" as const,
            message: fault.says,
          };
        });
      view.dispatch(setDiagnostics(view.state, diagnostics));
    }
  }, [faults, text]);
  useImperativeHandle(ref, () => ({
    goTo: (number, column) => {
      const view = editor.current;
      if (view && number >= 1 && number <= view.state.doc.lines) {
        const line = view.state.doc.line(number);
        const start = column ?? line.text.length - line.text.trimStart().length;
        view.dispatch({
          selection: { anchor: Math.min(line.from + start, line.to) },
          effects: EditorView.scrollIntoView(line.from, { y: "center" }),
        });
        view.focus();
      }
    },
  }));
  return <div ref={place} className="h-full min-h-0 min-w-0 overflow-hidden" />;
}
