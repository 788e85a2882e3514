import './build.css';
import { Button, Checkbox, Progress, Select, TextInput } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useEffect, useRef, useState } from 'react';
import { mutate } from 'swr';
import { kitNamed, kits } from '../../../core/kits/index.ts';
import { tally } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { getJson, sendJson } from '../../api/client.ts';
import { useFindings, useSession, useView } from '../../api/hooks.tsx';
import { TextDiff } from '../../parts/text-diff.tsx';
import { FileTree, type Fate, type PlannedFile } from './file-tree.tsx';

interface Plan { target: string; kind: 'folder' | 'file'; files: PlannedFile[]; id: string; ask?: string }
interface Job { id: string; state: 'running' | 'done' | 'failed' | 'cancelled'; done: number; total: number; problem?: string }

/** What will change at the target, file by file; then building it, with progress. */
export function Build() {
  const session = useSession();
  const { mod, revision, saving } = useView();
  const findings = useFindings() ?? [];
  const [target, setTarget] = useLocalStorage({ key: `obrank.target.${session.name}`, defaultValue: `~/obrank-packs/${session.name}`, getInitialValueInEffect: false });
  const [plan, setPlan] = useState<Plan>();
  const [problem, setProblem] = useState<string>();
  const [agreed, setAgreed] = useState(false);
  const [job, setJob] = useState<Job>();
  const [chosen, setChosen] = useState<string>();
  const [texts, setTexts] = useState<{ path: string; before?: string; after?: string }>();
  const wanted = useRef(0);
  const errors = tally(findings).error;

  // The plan follows the target and the mod, a moment after the last change of either.
  useEffect(() => {
    const turn = (wanted.current += 1);
    const timer = setTimeout(() => {
      void session.flush().then(() => sendJson<Plan>(`/api/mods/${session.name}/plan`, { target })).then((next) => {
        if (turn !== wanted.current) return;
        setPlan(next);
        setChosen((old) => (next.files.some((file) => file.path === old) ? old : next.files.find((file) => file.fate !== 'same' && file.fate !== 'kept' && /\.(json|ts)$/.test(file.path) && file.path !== 'pack.json')?.path));
        setProblem(undefined);
        setAgreed(false);
      }, (error: Error) => {
        if (turn !== wanted.current) return;
        setPlan(undefined);
        setProblem(error.message);
      });
    }, 300);
    return () => clearTimeout(timer);
  }, [target, revision, saving, session, job?.state]);

  useEffect(() => {
    if (chosen === undefined || !plan) return setTexts(undefined);
    let current = true;
    void sendJson<{ path: string; before?: string; after?: string }>(`/api/mods/${session.name}/compare`, { target, path: chosen }).then((found) => current && setTexts(found), () => current && setTexts(undefined));
    return () => {
      current = false;
    };
  }, [chosen, plan, target, session]);

  useEffect(() => {
    if (job?.state !== 'running') return;
    const timer = setInterval(() => void getJson<Job>(`/api/jobs/${job.id}`).then((next) => {
      setJob(next);
      if (next.state === 'done') void mutate(['baseline', session.name]);
    }, (error: Error) => setJob({ ...job, state: 'failed', problem: error.message })), 120);
    return () => clearInterval(timer);
  }, [job, session.name]);

  const build = async () => {
    try {
      setProblem(undefined);
      setJob(await sendJson<Job>(`/api/mods/${session.name}/builds`, { target, agreed: plan?.ask && agreed ? plan.id : undefined }));
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const of = (...fates: Fate[]) => plan?.files.filter((file) => fates.includes(file.fate)).length ?? 0;
  const writes = of('new', 'changed', 'edited', 'foreign', 'gone');

  return (
    <div className="page build-place">
      <div className="blocks-head">
        <h1>Build</h1>
        <Select aria-label="Kit" allowDeselect={false} w={270} data={Object.values(kits).map(({ name, title }) => ({ value: name, label: title }))} value={kitNamed(mod.header.kit).name} onChange={(kit) => kit && session.set('Change the kit', ['header', 'kit'], kit)} />
        <Button component="a" variant="default" href={`/api/mods/${session.name}/pack.obpack`} onClick={() => void mutate(['baseline', session.name])}>Download the .obpack</Button>
      </div>
      <div className="target">
        <TextInput label="Folder on this machine, or a file that ends in .obpack" value={target} onChange={(event) => setTarget(event.currentTarget.value)} classNames={{ input: 'mono' }} style={{ flex: 1 }} error={problem} />
        <Button size="sm" color="tide" disabled={!plan || job?.state === 'running' || (plan.ask !== undefined && !agreed)} onClick={() => void build()}>{writes || !plan ? 'Build the pack' : 'Build it again'}</Button>
      </div>
      {errors > 0 && <p className="note"><span className="tag error">{count(errors, 'error')}</span> The pack can be built, but the game would misbehave or refuse. Inspection says where.</p>}
      {plan?.ask && <div className="ask"><p>{plan.ask}</p><Checkbox label="Build all the same" checked={agreed} onChange={(event) => setAgreed(event.currentTarget.checked)} /></div>}
      {job && (
        <div className="job" role="status">
          {job.state === 'running' && <><Progress value={job.total ? (job.done / job.total) * 100 : 2} aria-label="Building" style={{ flex: 1 }} /><Button variant="default" onClick={() => void cancel(job.id)}>Cancel</Button></>}
          {job.state === 'done' && <span><span className="tag good">Built</span> {count(job.total || plan?.files.length || 0, 'file')} in <span className="mono">{plan?.target}</span></span>}
          {(job.state === 'failed' || job.state === 'cancelled') && <span><span className="tag error">{job.state === 'failed' ? 'Not built' : 'Cancelled'}</span> {job.problem}</span>}
        </div>
      )}
      {plan && (
        <>
          <p className="note sums">{[[of('new'), 'new'], [of('changed', 'edited', 'foreign'), 'changed'], [of('same'), 'the same'], [of('gone'), 'gone'], [of('kept'), 'not Obrank’s, left alone']].filter(([many]) => many).map(([many, what]) => `${many} ${what}`).join(' · ')}</p>
          <div className="build-split">
            <FileTree files={plan.files} chosen={chosen} onChoose={setChosen} />
            <div className="compare">
              {chosen === undefined && <p className="note" style={{ padding: 16 }}>Choose a file to see its lines, as they are and as they will be.</p>}
              {chosen !== undefined && texts?.path === chosen && (texts.after !== undefined || texts.before !== undefined ? <TextDiff before={texts.before ?? ''} after={texts.after ?? ''} /> : <p className="note" style={{ padding: 16 }}>{chosen} is not a text.</p>)}
            </div>
          </div>
        </>
      )}
    </div>
  );
}

const cancel = (id: string) => sendJson(`/api/jobs/${id}`, {}, {}, 'DELETE');
