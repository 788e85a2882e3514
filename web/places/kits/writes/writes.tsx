import { Button, Select } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { KitProblem, Span, WrittenText } from '../../../../core/kits/index.ts';
import { expectedFolder, offsetOf, placed } from '../../../../core/kits/index.ts';
import { useTyped } from '../../../parts/use-typed.ts';
import type { KitEdits } from '../use-kit.ts';
import { addRule, RuleLine } from './rule-line.tsx';
import { TemplateEditor } from './template-editor.tsx';
import { Thread } from './thread.tsx';
import { useOpen, type Open } from './use-open.ts';
import { usePreview, type Shown } from './use-preview.ts';
import { Written } from './written.tsx';
import styles from './writes.module.css';

/** A rule of a kit: its template at the left, at the right what it writes for one thing of the mod. */
export function WritesStation({ edits }: { edits: KitEdits }) {
  const open = useOpen(edits);
  const rule = edits.own.files[open.rule];
  if (!rule)
    return (
      <div className={styles['writes']}>
        <div className={styles['none']}>
          <p>
            The kit writes nothing yet. A rule says for what a file is written, where it lies, and
            which template says what is in it.
          </p>
          <Button onClick={() => open.openRule(addRule(edits, 'block'))}>
            Write a file for each block
          </Button>
        </div>
      </div>
    );
  return (
    <div className={styles['writes']}>
      <RuleLine edits={edits} index={open.rule} rule={rule} onOpenRule={open.openRule} />
      <Columns key={open.file ?? ''} edits={edits} open={open} />
    </div>
  );
}

function Columns({ edits, open }: { edits: KitEdits; open: Open }) {
  const shown = usePreview(edits, open.rule, open.called);
  const [looked, setLooked] = useState<Span>();
  // Whether the written file is pointed at: then the template follows.
  const [isPointed, setPointed] = useState(false);
  const [leftEnd, setLeftEnd] = useState<HTMLElement | null>(null);
  const [rightEnd, setRightEnd] = useState<HTMLElement | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const { written } = shown.preview ?? {};
  const spans = written?.spans ?? noSpans;
  const isShown = looked !== undefined && spans.includes(looked);
  const part = isShown && looked.file === open.file ? looked : undefined;
  useEffect(() => {
    if (isPointed && leftEnd) showPart(leftEnd);
  }, [isPointed, leftEnd]);
  const lookAt = (offset: number) => {
    setPointed(false);
    setLooked(
      spans.find(({ file, begin, end }) => file === open.file && offset >= begin && offset < end),
    );
  };
  return (
    <div ref={box} className={styles['columns']}>
      <Template
        edits={edits}
        file={open.file}
        onCaret={lookAt}
        part={part}
        partRef={setLeftEnd}
        problem={problemIn(shown, open.file)}
      />
      <Result
        edits={edits}
        shown={shown}
        open={open}
        looked={isShown ? looked : undefined}
        lookedRef={setRightEnd}
        onLook={(span) => {
          setLooked(span);
          setPointed(span !== undefined);
        }}
      />
      <Thread within={box} left={part ? leftEnd : null} right={part ? rightEnd : null} />
    </div>
  );
}

/** Scrolls a part of the template into sight, and sideways no further than it must. */
function showPart(part: HTMLElement): void {
  part.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  const box = part.closest(`.${styles['text']}`);
  const [first] = part.getClientRects();
  if (!box || !first) return;
  const end = first.right - box.getBoundingClientRect().left + box.scrollLeft + 40;
  box.scrollLeft = Math.max(0, end - box.clientWidth);
}

const noSpans: readonly Span[] = [];

/** What is wrong in a text: what its rule stumbles over, or what another one does. */
function problemIn({ preview }: Shown, file: string | undefined): KitProblem | undefined {
  const all = [
    ...(preview?.written?.problem ? [preview.written.problem] : []),
    ...(preview?.problems ?? []),
  ];
  return all.find((problem) => problem.file === file);
}

function Template({
  edits,
  file,
  problem,
  ...rest
}: {
  edits: KitEdits;
  file: string | undefined;
  problem: KitProblem | undefined;
} & Pick<Parameters<typeof TemplateEditor>[0], 'onCaret' | 'part' | 'partRef'>) {
  const text = file === undefined ? undefined : edits.texts.get(file);
  const [typed, setTyped] = useTyped(text ?? '');
  if (file === undefined)
    return (
      <section className={styles['column']} aria-label="Template">
        <p className={styles['words']}>The picture or sound itself is copied, as it is.</p>
      </section>
    );
  return (
    <section className={styles['column']} aria-label="Template">
      <header>
        <span className="mono">{file}</span>
      </header>
      {text === undefined ? (
        <div className={styles['words']}>
          <p>The kit has no file {file} yet.</p>
          <Button variant="default" onClick={() => edits.putText(`Write ${file}`, file, '')}>
            Begin it
          </Button>
        </div>
      ) : (
        <TemplateEditor
          label={`Template ${file}`}
          text={typed}
          mistake={problem?.place}
          onText={(next) => {
            setTyped(next);
            edits.putText(`Write ${file}`, file, next);
          }}
          {...rest}
        />
      )}
      {problem && (
        <p className={styles['problem']} role="alert">
          {problem.place && (
            <button type="button" className="link" onClick={() => goTo(text ?? '', problem)}>
              Line {problem.place.line}, column {problem.place.column}
            </button>
          )}{' '}
          {problem.message}
        </p>
      )}
    </section>
  );
}

/** Puts the caret of the open template where a mistake is. */
function goTo(text: string, { place }: KitProblem): void {
  const field = document.querySelector<HTMLTextAreaElement>('[data-template]');
  if (!field || !place) return;
  const offset = offsetOf(text, place);
  field.parentElement?.parentElement?.scrollTo(0, Math.max(0, (place.line - 6) * lineHeight));
  field.focus({ preventScroll: true });
  field.setSelectionRange(offset, offset);
}

/** The height of a line of a template, in pixels. */
const lineHeight = 18;

function Result({
  edits,
  shown: { preview, before },
  open,
  ...rest
}: { edits: KitEdits; shown: Shown; open: Open } & Pick<
  Parameters<typeof Written>[0],
  'looked' | 'lookedRef' | 'onLook'
>) {
  const { subjects = [], written, problems = [] } = preview ?? {};
  const called = written?.called ?? (subjects.includes(open.called) ? open.called : subjects[0]);
  const kind = called?.split(' ')[0] ?? '';
  return (
    <section className={styles['column']} aria-label="Written file">
      <header>
        <span className="mono" title={written?.path}>
          {written?.path ?? 'nothing'}
        </span>
        {written && written.text !== '' && <Expect edits={edits} written={written} />}
        {subjects.length > 1 && (
          <Select
            aria-label="Shown for"
            w={220}
            searchable
            allowDeselect={false}
            data={subjects.slice(0, mostSubjects).map((value) => ({
              value,
              label: value.slice(kind.length + 1),
            }))}
            value={called ?? null}
            onChange={(value) => value && open.showFor(value)}
          />
        )}
      </header>
      {preview && <Body written={written} before={before} open={open} {...rest} />}
      <Elsewhere problem={written?.problem ?? problems[0]} open={open} />
    </section>
  );
}

/** Keeps what is written as what is expected, and tells whether it is. */
function Expect({ edits, written: { path, text } }: { edits: KitEdits; written: WrittenText }) {
  const expected = edits.texts.get(expectedFolder + path);
  if (expected === text) return <span className="tag good">as expected</span>;
  return (
    <button
      type="button"
      className="tiny"
      title="Keep this file as what the kit is expected to write for this mod"
      onClick={() => edits.putText(`Expect ${path}`, expectedFolder + path, text)}
    >
      {expected === undefined ? 'Expect this' : 'Not as expected: expect this'}
    </button>
  );
}

/** So many things one chooses from. */
const mostSubjects = 2000;

function Body({
  written,
  before,
  open,
  ...rest
}: {
  written: WrittenText | undefined;
  before: string | undefined;
  open: Open;
} & Pick<Parameters<typeof Written>[0], 'looked' | 'lookedRef' | 'onLook'>) {
  if (!written)
    return (
      <p className={styles['words']}>Nothing is written for it: its path or its text is empty.</p>
    );
  if (written.text === '')
    return (
      <p className={styles['words']}>
        {written.problem ? 'It cannot be written.' : open.file === undefined ? 'A copy.' : ''}
      </p>
    );
  const from = rest.looked && rest.looked.file !== open.file ? rest.looked.file : undefined;
  return (
    <>
      <Written written={written} before={before} {...rest} />
      {from !== undefined && (
        <p className={styles['from']}>
          from{' '}
          <button type="button" className="link" onClick={() => open.openFile(from)}>
            {from}
          </button>
        </p>
      )}
    </>
  );
}

/** A mistake that stands in another file of the kit than the one that is open. */
function Elsewhere({ problem, open }: { problem: KitProblem | undefined; open: Open }) {
  if (!problem || problem.file === open.file) return null;
  return (
    <p className={styles['problem']} role="alert">
      {placed(problem)}{' '}
      {problem.file !== 'kit.json' && (
        <button type="button" className="link" onClick={() => open.openFile(problem.file)}>
          Open it
        </button>
      )}
    </p>
  );
}
