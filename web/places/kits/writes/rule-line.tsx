import { Select, TextInput } from '@mantine/core';
import { freeName } from '../../../../core/lists/index.ts';
import {
  fileSyntaxes,
  kitPathPattern,
  kitSubjects,
  type KitFileRule,
  type KitSubject,
} from '../../../../core/mod/index.ts';
import { AskFirst } from '../../../parts/ask-first.tsx';
import { useTyped } from '../../../parts/use-typed.ts';
import type { KitEdits } from '../use-kit.ts';
import { kindWords } from './words.ts';
import styles from './writes.module.css';

interface RuleLineProps {
  edits: KitEdits;
  index: number;
  rule: KitFileRule;
  onOpenRule: (index: number) => void;
}

/** A rule as a sentence whose parts are chosen in place: for what, where to, from which template. */
export function RuleLine({ edits, index, rule, onOpenRule }: RuleLineProps) {
  const { own, texts } = edits;
  const put = (label: string, next: KitFileRule) =>
    edits.putRules(
      label,
      own.files.map((old, i) => (i === index ? next : old)),
    );
  const mayCopy = ['mod', 'texture', 'sound'].includes(rule.for);
  const templates = [...texts.keys()].filter((path) => !path.startsWith('expected/')).sort();
  const takeFrom = (from: string | null) => {
    if (from === null) return;
    const { template: _, copy: __, ...bare } = rule;
    put(
      'Template of a rule',
      from === copies ? { ...bare, copy: true } : { ...bare, template: from },
    );
  };
  return (
    <div className={styles['rule']} role="group" aria-label="Rule">
      <span>For</span>
      <Select
        aria-label="For"
        w={150}
        allowDeselect={false}
        data={kitSubjects.map((value) => ({ value, label: kindWords[value] }))}
        value={rule.for}
        onChange={(value) => value && put('For what a rule writes', withSubject(rule, value))}
      />
      <span>write</span>
      <PathField
        key={index}
        path={rule.path}
        onPath={(path) => put('Path of a rule', { ...rule, path })}
      />
      <span>from</span>
      <Select
        aria-label="Template"
        w={200}
        searchable
        allowDeselect={false}
        data={[
          ...(mayCopy ? [{ value: copies, label: 'the thing itself, copied' }] : []),
          ...templates.map((value) => ({ value, label: value })),
        ]}
        value={rule.copy ? copies : (rule.template ?? null)}
        onChange={takeFrom}
      />
      {!rule.copy && (
        <Select
          aria-label="Read as"
          w={120}
          allowDeselect={false}
          data={[
            { value: '', label: 'as its ending' },
            ...fileSyntaxes.map((value) => ({
              value,
              label: value === 'text' ? 'plain text' : value.toUpperCase(),
            })),
          ]}
          value={rule.is ?? ''}
          onChange={(value) => {
            const { is: _, ...bare } = rule;
            put('What a file is read as', value ? { ...bare, is: value } : bare);
          }}
        />
      )}
      <AskFirst
        act="Remove the rule"
        says={() => null}
        onAct={() => {
          edits.putRules('Remove a rule', own.files.toSpliced(index, 1));
          onOpenRule(Math.max(0, index - 1));
        }}
      />
    </div>
  );
}

const copies = ' copy';

/** The rule for something else; only some things can be copied. */
function withSubject(rule: KitFileRule, subject: KitSubject): KitFileRule {
  const { copy, ...bare } = rule;
  return copy && ['mod', 'texture', 'sound'].includes(subject)
    ? { ...rule, for: subject }
    : { ...bare, for: subject, template: rule.template ?? '' };
}

function PathField({ path, onPath }: { path: string; onPath: (path: string) => void }) {
  const [typed, setTyped] = useTyped(path);
  return (
    <TextInput
      aria-label="Path"
      className={styles['path']}
      classNames={{ input: 'mono' }}
      value={typed}
      error={typed.trim() === ''}
      maxLength={400}
      onChange={(event) => {
        const next = event.currentTarget.value;
        setTyped(next);
        if (next.trim() !== '') onPath(next);
      }}
    />
  );
}

/** A new rule with a template of its own. */
export function addRule(edits: KitEdits, subject: KitSubject): number {
  const { own, texts } = edits;
  const template = freeTemplate(subject, [...texts.keys()]);
  const rule: KitFileRule = {
    for: subject,
    path:
      subject === 'mod'
        ? 'mod.txt'
        : `${subject}s/{{ ${subject}.${subject === 'language' ? 'tag' : subject === 'state' ? 'code' : 'name'} }}.txt`,
    template,
  };
  const text =
    subject === 'mod' ? '{{ mod.title }} {{ mod.version }}\n' : `{{ ${subject} | json: 2 }}\n`;
  edits.putRules('New rule', [...own.files, rule], { [template]: text });
  return own.files.length;
}

function freeTemplate(subject: string, taken: readonly string[]): string {
  const stem = freeName(
    subject,
    taken.map((path) => path.replace(/\..*$/, '')),
  );
  const path = `${stem}.liquid`;
  return kitPathPattern.test(path) ? path : `${subject}.liquid`;
}
