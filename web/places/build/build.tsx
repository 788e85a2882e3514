import { Button, Checkbox, Progress, Select, TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import clsx from 'clsx';
import { useMemo, useRef, useState } from 'react';
import { Link, useMatch } from 'react-router';
import { mutate } from 'swr';
import type { Kit } from '../../../core/kits/index.ts';
import { tally } from '../../../core/inspect/index.ts';
import { lookUp } from '../../../core/mod/index.ts';
import { count, messageOf } from '../../../core/words/index.ts';
import { addressOf, endpoints, type ComparedFile, type Plan } from '../../../core/api/index.ts';
import { useGoesOn } from '../../api/build-as-you-go.ts';
import { runJob } from '../../api/jobs.ts';
import { useFindings, useSession } from '../../api/hooks.tsx';
import { passStep } from '../../parts/first-steps/visit.ts';
import { firstChangedLine } from '../../parts/lines.ts';
import { OpenIn } from '../../parts/open-in.tsx';
import { TextDiff } from '../../parts/text-diff.tsx';
import { targetKey, useBuiltFor, usualTarget } from './built-for.ts';
import { Decisions, type Answer } from './decisions.tsx';
import { Clashes, type Take } from './clashes.tsx';
import { KitColumns } from './kit-columns.tsx';
import { FileTree, type PlannedFile } from './file-tree.tsx';
import { Verdict } from './verdict.tsx';
import { Walk } from './walk.tsx';
import { nothingSaid, WhatGoes, type Said } from './what-goes.tsx';
import {
  asSent,
  countFates,
  firstToShow,
  isDisputed,
  planInWords,
  usePlan,
  useReturns,
  useTexts,
  type Decided,
  type Going,
  type Settled,
  type Where,
} from './plan.ts';
import styles from './build.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';

/** How the last build went. */
type Outcome =
  | { state: 'running'; going: Going }
  | { state: 'built'; plan: Plan }
  | { state: 'failed'; problem: string };

/** Building the mod, and asking a real engine what it means. Each has an address of its own. */
export function Build() {
  const { name } = useSession();
  const isEngine = useMatch('/m/:mod/build/engine') !== null;
  const isWalk = useMatch('/m/:mod/build/walk') !== null;
  const isFiles = !isEngine && !isWalk;
  const { kit } = useBuiltFor();
  return (
    <div className={clsx('page', styles['build-place'])}>
      <Head />
      <nav aria-label="Parts of Build" className={styles['parts']}>
        <Link to={`/m/${name}/build`} aria-current={isFiles ? 'page' : undefined}>
          Files
        </Link>
        <Link to={`/m/${name}/build/walk`} aria-current={isWalk ? 'page' : undefined}>
          Test walk
        </Link>
        <Link to={`/m/${name}/build/engine`} aria-current={isEngine ? 'page' : undefined}>
          Ask the engine
        </Link>
      </nav>
      {isFiles && <KitColumns />}
      {isFiles && <Files key={kit.name} />}
      {isWalk && <Walk />}
      {isEngine && <Verdict />}
    </div>
  );
}

/** The files that are to stay as people have them, for each target by itself. */
function useKept(mod: string, target: string): [string[] | undefined, (paths: string[]) => void] {
  const [kept, setKept] = useLocalStorage<Record<string, string[]>>({
    key: `obrank.keep.${mod}`,
    defaultValue: {},
    getInitialValueInEffect: false,
  });
  return [
    heldIn(kept, target),
    (paths) => {
      setKept({ ...kept, [target]: paths });
    },
  ];
}

const heldIn = (kept: Record<string, string[]>, target: string): string[] | undefined =>
  Object.hasOwn(kept, target) ? kept[target] : undefined;

function whyNot(plan: Plan | undefined, outcome: Outcome | undefined): string {
  if (outcome?.state === 'running') return 'It is being built';
  if (!plan) return 'What would change is not known yet';
  return 'Say first what becomes of what is there';
}

const nothingSettled: Settled = {};

/** What will change at the target, file by file; then building it, with progress. */
function Files() {
  const session = useSession();
  const { kit, own } = useBuiltFor();
  const isFirst = own[0] === kit;
  const [target, setTarget] = useLocalStorage({
    key: targetKey(session.name, kit.name, isFirst),
    defaultValue: usualTarget(session.name, kit.name, isFirst),
    getInitialValueInEffect: false,
  });
  const [outcome, setOutcome] = useState<Outcome>();
  const [agreedTo, setAgreedTo] = useState<string>();
  // What one keeps is kept until one says otherwise; what is overwritten is said each time.
  const [keep, setKeep] = useKept(session.name, target);
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const [settled, setSettled] = useState<Settled>(nothingSettled);
  const [said, setSaid] = useState<Said>(nothingSaid);
  const decided = useMemo(
    () => ({ keep, settled, fresh: [...taken], ...said }),
    [keep, settled, taken, said],
  );
  const { goesOn } = useGoesOn(session.name, target, kit.name);
  const returns = useReturns();
  const [wanted, setWanted] = useState<string>();
  const { plan, problem, going } = usePlan(
    { target, kit: kit.name },
    decided,
    `${outcome?.state} ${returns} ${goesOn?.state}`,
  );
  const chosen =
    plan && (plan.files.some((file) => file.path === wanted) ? wanted : firstToShow(plan, kit));
  const texts = useTexts({ target, kit: kit.name }, decided, plan, chosen);
  const mine =
    keep ?? plan?.files.filter(({ fate }) => fate === 'mine').map(({ path }) => path) ?? [];
  const disputed = plan?.files.filter(isDisputed) ?? [];
  const isAgreed = plan !== undefined && agreedTo === plan.id;
  const answer = (paths: readonly string[], said: Answer) => {
    const others = (list: Iterable<string>) => [...list].filter((at) => !paths.includes(at));
    setKeep([...others(mine), ...(said === 'mine' ? paths : [])]);
    setTaken(new Set([...others(taken), ...(said === 'mine' ? [] : paths)]));
  };

  const goTo = (next: string) => {
    setTarget(next);
    setTaken(new Set());
    setSettled(nothingSettled);
    setSaid(nothingSaid);
    setOutcome((old) => (old?.state === 'running' ? old : undefined));
  };
  const { build, cancel } = useBuilding({ target, kit: kit.name }, decided, (next) => {
    setOutcome(next);
    if (next.state !== 'built') return;
    // What is overwritten is said each time.
    setTaken(new Set());
    setSettled(nothingSettled);
  });
  const mayBuild =
    plan !== undefined && outcome?.state !== 'running' && (plan.ask === undefined || isAgreed);
  const writes = countFates(plan, 'new', 'changed', 'edited', 'foreign', 'gone');

  return (
    <>
      <div className={styles['target']}>
        <TextInput
          label={`Folder on this machine, or a file that ends in ${kit.ending}`}
          value={target}
          onChange={(event) => goTo(event.currentTarget.value)}
          classNames={{ input: 'mono' }}
          className={styles['grow']}
          error={problem}
        />
        <Button
          color="tide"
          disabled={!mayBuild}
          title={mayBuild ? undefined : whyNot(plan, outcome)}
          onClick={() => build(plan?.ask && isAgreed ? plan.id : undefined)}
        >
          {writes || !plan ? 'Build the pack' : 'Build it again'}
        </Button>
      </div>
      <WhatGoes
        where={{ target, kit: kit.name }}
        plan={plan}
        said={said}
        onSay={(next) => setSaid({ ...said, ...next })}
      />
      <Errors />
      {plan && (
        <Decisions plan={plan} taken={taken} onAnswer={answer} onShow={setWanted} shown={chosen} />
      )}
      {plan?.ask && disputed.length === 0 && (
        <div className={styles['ask']}>
          <p>{plan.ask}</p>
          <Checkbox
            label="Build all the same"
            checked={isAgreed}
            onChange={(event) => setAgreedTo(event.currentTarget.checked ? plan.id : undefined)}
          />
        </div>
      )}
      {outcome && <OutcomeLine outcome={outcome} onCancel={cancel} />}
      {going && outcome?.state !== 'running' && (
        <div className={styles['job']} role="status">
          <span>Making the pack</span>
          <Bar going={going} label="Making the pack" />
        </div>
      )}
      {plan && (
        <>
          <p className={clsx('note', styles['sums'])}>{planInWords(plan)}</p>
          <div className={styles['build-split']}>
            <FileTree files={plan.files} joins={plan.joins} chosen={chosen} onChoose={setWanted} />
            <Compare
              folder={plan.kind === 'folder' ? plan.target : undefined}
              file={plan.files.find((file) => file.path === chosen)}
              texts={texts}
              takes={(chosen !== undefined && lookUp(settled, chosen)) || noTakes}
              onTakes={(takes) =>
                chosen !== undefined && setSettled({ ...settled, [chosen]: takes })
              }
              isMine={chosen !== undefined && mine.includes(chosen)}
              onFresh={() => chosen !== undefined && answer([chosen], 'Obrank’s')}
              onMine={(isMine) =>
                chosen !== undefined &&
                setKeep(isMine ? [...mine, chosen] : mine.filter((at) => at !== chosen))
              }
            />
          </div>
        </>
      )}
    </>
  );
}

/** Builds into the target, telling how it goes, and cancels it. */
function useBuilding(where: Where, decided: Decided, onOutcome: (outcome: Outcome) => void) {
  const session = useSession();
  const stop = useRef<AbortController>(undefined);
  const build = (agreed: string | undefined) => {
    stop.current = new AbortController();
    const onProgress = (done: number, total: number) =>
      onOutcome({ state: 'running', going: { done, total } });
    onProgress(0, 0);
    runJob(
      endpoints.startBuild,
      { mod: session.name },
      { ...where, agreed, ...asSent(decided) },
      { signal: stop.current.signal, onProgress },
    ).then(
      (built) => {
        onOutcome({ state: 'built', plan: built });
        passStep('build');
        void mutate(['baseline', session.name]);
      },
      (error: unknown) => onOutcome({ state: 'failed', problem: messageOf(error) }),
    );
  };
  return { build, cancel: () => stop.current?.abort() };
}

/** The title with the kit and the download. */
function Head() {
  const session = useSession();
  const { kit, own, others, all, choose } = useBuiltFor();
  const options = (some: readonly Kit[]) =>
    some.map(({ name, title }) => ({ value: name, label: title }));
  return (
    <div className={pageHeadStyles['blocks-head']}>
      <h1>Build</h1>
      <Select
        aria-label="Kit"
        allowDeselect={false}
        w={270}
        data={
          own.length > 1
            ? [
                { group: 'The mod is built for', items: options(own) },
                { group: 'Others', items: options(others) },
              ]
            : options(all)
        }
        value={kit.name}
        onChange={(name) => name !== null && choose(name)}
      />
      <Button
        component="a"
        variant="default"
        href={addressOf(endpoints.downloadPack, { mod: session.name }, { kit: kit.name })}
        onClick={() => void mutate(['baseline', session.name])}
      >
        Download the {kit.ending}
      </Button>
    </div>
  );
}

/** A word of warning when the mod has errors. */
function Errors() {
  const { kit } = useBuiltFor();
  const findings = useFindings() ?? [];
  const errors = tally(findings.filter(({ kits }) => !kits || kits.includes(kit.name))).error;
  if (errors === 0) return null;
  return (
    <p className="note">
      <span className="tag error">{count(errors, 'error')}</span> The pack can be built, but the
      game would misbehave or refuse. Inspection says where.
    </p>
  );
}

const Bar = ({ going: { done, total }, label }: { going: Going; label: string }) => (
  <Progress
    value={total ? (done / total) * 100 : 2}
    aria-label={label}
    className={styles['grow']}
  />
);

function OutcomeLine({ outcome, onCancel }: { outcome: Outcome; onCancel: () => void }) {
  return (
    <div className={styles['job']} role="status">
      {outcome.state === 'running' && (
        <>
          <Bar going={outcome.going} label="Building" />
          <Button variant="default" onClick={onCancel}>
            Cancel
          </Button>
        </>
      )}
      {outcome.state === 'built' && (
        <span>
          <span className="tag good">Built</span> {count(outcome.plan.files.length, 'file')} in{' '}
          <span className="mono">{outcome.plan.target}</span>
        </span>
      )}
      {outcome.state === 'failed' && (
        <span>
          <span className="tag error">Not built</span> {outcome.problem}
        </span>
      )}
    </div>
  );
}

const noTakes: readonly Take[] = [];

/** A file as it stands and as it will be; where both were changed in one place, which one stays. */
function Compare({
  folder,
  file,
  texts,
  takes,
  isMine,
  onTakes,
  onMine,
  onFresh,
}: {
  /** Where it lies on this machine; undefined for what is packed. */
  folder: string | undefined;
  file: PlannedFile | undefined;
  texts: ComparedFile | undefined;
  takes: readonly Take[];
  isMine: boolean;
  onTakes: (takes: readonly Take[]) => void;
  onMine: (isMine: boolean) => void;
  onFresh: () => void;
}) {
  if (!file)
    return (
      <div className={styles['compare']}>
        <p className="note hint">
          Choose a file to see its lines, as they are and as they will be.
        </p>
      </div>
    );
  if (texts?.path !== file.path) return <div className={styles['compare']} />;
  const isText = texts.after !== undefined || texts.before !== undefined;
  const mayBeMine = file.fate !== 'new' && file.fate !== 'kept';
  return (
    <div className={styles['compare']}>
      {mayBeMine && (
        <div className={styles['mine']}>
          <label>
            <input
              type="checkbox"
              checked={isMine}
              onChange={(event) => onMine(event.currentTarget.checked)}
            />
            This file is mine: no build changes it
          </label>
          {folder !== undefined && (
            <OpenIn
              folder={folder}
              file={file.path}
              line={firstChangedLine(texts.before ?? '', texts.after ?? '')}
            >
              Open this file
            </OpenIn>
          )}
          {(file.fate === 'merged' || file.fate === 'clash') && (
            <button type="button" className="tiny" onClick={onFresh}>
              Drop what was changed by hand
            </button>
          )}
        </div>
      )}
      {texts.clashes && file.fate !== 'mine' && (
        <Clashes clashes={texts.clashes} takes={takes} onTakes={onTakes} />
      )}
      {isText ? (
        <TextDiff
          before={texts.before ?? ''}
          after={file.fate === 'mine' ? (texts.before ?? '') : (texts.after ?? '')}
        />
      ) : (
        <p className="note hint">{file.path} is not a text.</p>
      )}
    </div>
  );
}
