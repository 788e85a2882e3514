import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useCallback, useEffect, useMemo, useState, type DragEvent } from 'react';
import { Link } from 'react-router';
import { reports, tally } from '../../../core/inspect/index.ts';
import { endings } from '../../../core/kits/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { openPack, useOpenPack } from '../../api/open-pack.ts';
import { savePackTo } from '../../api/pack-on-disk.ts';
import { download } from '../../parts/download.ts';
import { OpenIn } from '../../parts/open-in.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { useKeys } from '../../parts/keys/use-keys.ts';
import type { PackView, Preview, ShownFile } from '../../workers/pack-protocol.ts';
import { version } from '../../../package.json';
import { Begin } from './begin.tsx';
import { Cause } from './cause.tsx';
import { fromDrop } from './gather.ts';
import { LetGoDialog } from './let-go.tsx';
import { Said, type Saying } from './said.tsx';
import { TakeOver } from './take-over/take-over.tsx';
import { Text } from './text.tsx';
import { Tree } from './tree.tsx';
import styles from './pack.module.css';

/**
 * A pack from elsewhere: its files with what is wrong in each, the file as its author wrote it, and
 * what the game shows because of the chosen finding.
 */
export function PackPlace() {
  const { pack, path, busy, problem, opened } = useOpenPack();
  const [isOver, setIsOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setIsOver(false);
    const source = fromDrop(event.dataTransfer);
    openPack.open(async () => ({ source: await source }));
  };
  return (
    <div
      className={clsx(styles['place'], isOver && styles['over'])}
      onDragOver={(event) => {
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={drop}
    >
      {pack ? (
        <Desk key={opened} {...{ pack, path, busy, problem }} />
      ) : (
        <Begin busy={busy} problem={problem} />
      )}
      <LetGoDialog />
    </div>
  );
}

/** What is told, as one file that can be sent to somebody. */
function saveReport({ name, kind, files, findings }: PackView): void {
  const report = { target: name, kind, files: files.length, findings };
  download(`${name}-report.html`, reports.html(report, version), 'text/html');
}

interface DeskProps {
  pack: PackView;
  path: string | undefined;
  busy: string | undefined;
  problem: string | undefined;
}

function Desk({ pack, path, busy, problem }: DeskProps) {
  const { findings } = pack;
  const [isTaking, setTaking] = useState(false);
  const [place, setPlace] = useState<{ finding?: number; file?: string }>({ finding: 0 });
  // After a mend the next one stands where the mended one was.
  const finding =
    place.finding === undefined || !findings.length
      ? undefined
      : Math.min(place.finding, findings.length - 1);
  const file = finding === undefined ? place.file : findings[finding]?.file;
  const choose = useCallback((index: number) => setPlace({ finding: index }), []);
  const walk = (by: number) => {
    const from = finding ?? (by > 0 ? -1 : 0);
    if (findings.length) choose((from + by + findings.length) % findings.length);
  };
  const chosen = finding === undefined ? undefined : findings[finding];
  useKeys({
    nextFinding: () => !isTaking && walk(1),
    previousFinding: () => !isTaking && walk(-1),
    mend: () =>
      !isTaking && finding !== undefined && chosen?.fix && void openPack.mend({ finding }),
    mendAlike: () => !isTaking && chosen?.fix && void openPack.mend({ rule: chosen.rule }),
  });
  const head = (
    <Head
      {...{ pack, path, busy, problem, isTaking }}
      onMended={() => choose(0)}
      onTaking={() => setTaking(!isTaking)}
    />
  );
  if (isTaking)
    return (
      <>
        {head}
        <TakeOver pack={pack} revision={`${pack.changed.length} ${pack.undo ?? ''}`} />
      </>
    );
  return (
    <>
      {head}
      <Tree
        pack={pack}
        chosen={file}
        onChoose={(path) => {
          const first = findings.findIndex((one) => one.file === path);
          setPlace(first < 0 ? { file: path } : { finding: first });
        }}
      />
      <Sheet key={file} {...{ pack, file, finding }} onChoose={choose} />
      <aside className={styles['side']}>
        {finding === undefined ? (
          <Quiet pack={pack} />
        ) : (
          <Cause pack={pack} chosen={finding} isBusy={busy !== undefined} onChoose={choose} />
        )}
      </aside>
      <footer className={styles['foot']}>
        <span>
          {finding === undefined
            ? count(findings.length, 'finding')
            : `${finding + 1} of ${count(findings.length, 'finding')}`}
        </span>
        <button
          type="button"
          className="link"
          disabled={busy !== undefined}
          onClick={() => saveReport(pack)}
        >
          Save the report
        </button>
        <span className="soft">
          <Cap of="nextFinding" /> next <Cap of="previousFinding" /> before <Cap of="mend" /> mend{' '}
          <Cap of="mendAlike" /> all alike <Cap of="undo" /> take back
        </span>
      </footer>
    </>
  );
}

interface HeadProps extends DeskProps {
  isTaking: boolean;
  onMended: () => void;
  onTaking: () => void;
}

function Head({ pack, path, busy, problem, isTaking, onMended, onTaking }: HeadProps) {
  const session = useSession();
  const { error, warning, hint } = tally(pack.findings);
  const safe = pack.findings.filter((finding) => finding.safe).length;
  const copy = async () => {
    const name = pack.name.replace(/(\.\w+)?$/, '-mended$1');
    download(name, await openPack.copy(), 'application/zip');
  };
  return (
    <header className={clsx(styles['head'], isTaking && styles['taking'])}>
      <div className={styles['title']}>
        <h1>{pack.name}</h1>
        <p className={clsx(problem ? styles['problem'] : 'note')} role="status">
          {problem ??
            busy ??
            `${count(pack.files.length, 'file')} of ${pack.form}: ${count(error, 'error')}, ` +
              `${count(warning, 'warning')}, ${count(hint, 'hint')}` +
              (pack.changed.length
                ? ` · ${count(pack.changed.length, 'file')} mended, not saved`
                : '')}
        </p>
      </div>
      <Button variant="default" disabled={busy !== undefined} onClick={onTaking}>
        {isTaking ? 'Back to the findings' : 'Take over…'}
      </Button>
      {!isTaking && (
        <Button
          variant="light"
          disabled={!safe || busy !== undefined}
          onClick={() => void openPack.mend('safe').then(onMended)}
        >
          {mendWords(safe)}
        </Button>
      )}
      <Button variant="default" disabled={busy !== undefined} onClick={() => void copy()}>
        Save a copy
      </Button>
      {path !== undefined && !isTaking && (
        <Button
          disabled={!pack.changed.length || busy !== undefined}
          title={path}
          onClick={() => void openPack.save(() => savePackTo(path))}
        >
          Save {count(pack.changed.length, 'file')}
        </Button>
      )}
      <Button variant="subtle" onClick={() => openPack.close()}>
        Another…
      </Button>
      <Link className="link" to={`/m/${session.name}/inspection`}>
        Back
      </Link>
    </header>
  );
}

const mendWords = (safe: number): string =>
  safe === 0
    ? 'Nothing to mend'
    : safe === 1
      ? 'Mend the one that is safe'
      : `Mend all ${safe} that are safe`;

function Sheet({
  pack,
  file,
  finding,
  onChoose,
}: {
  pack: PackView;
  file: string | undefined;
  finding: number | undefined;
  onChoose: (finding: number) => void;
}) {
  const [shown, setShown] = useState<ShownFile>();
  const [preview, setPreview] = useState<{ of: number; pack: PackView; found: Preview }>();
  useEffect(() => {
    if (file === undefined) return undefined;
    let wanted = true;
    void openPack.ask('file', { path: file }).then(
      (found) => wanted && setShown(found),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [file, pack]);
  useEffect(() => {
    if (finding === undefined || !pack.findings[finding]?.fix) return undefined;
    let wanted = true;
    void openPack.ask('preview', { finding }).then(
      (found) => wanted && setPreview({ of: finding, pack, found }),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [finding, pack]);
  const told = useMemo(
    () => pack.findings.map((one, index) => ({ ...one, index })).filter((one) => one.file === file),
    [pack, file],
  );
  const isOfNow = preview?.of === finding && preview?.pack === pack;
  const elsewhere = isOfNow ? preview.found.files.filter(({ path }) => path !== file) : [];
  const here = isOfNow ? preview.found.files.find(({ path }) => path === file) : undefined;
  return (
    <div className={styles['middle']}>
      {file !== undefined && (
        <p className={clsx('mono', styles['file'])}>
          {file} <OpenThere file={file} line={pack.findings[finding ?? -1]?.place?.line} />
        </p>
      )}
      {elsewhere.length > 0 && (
        <p className={clsx('note', styles['elsewhere'])}>
          The fix also writes {elsewhere.map(({ path }) => path).join(', ')}.
        </p>
      )}
      {shown && 'text' in shown && (
        <OfFile told={told.filter(isOfWhole)} chosen={finding} onChoose={onChoose} />
      )}
      {!shown ? null : 'text' in shown ? (
        <Text
          text={shown.text}
          mended={here?.before === shown.text ? here.after : undefined}
          told={told.filter((one) => !isOfWhole(one))}
          chosen={finding}
          onChoose={onChoose}
        />
      ) : (
        <NoText file={file!} shown={shown} told={told} onChoose={onChoose} />
      )}
    </div>
  );
}

/** Opens a file of a pack that lies in a folder of this machine, where a program is named for it. */
function OpenThere({ file, line }: { file: string; line: number | undefined }) {
  const { path } = useOpenPack();
  if (path === undefined || endings.some((ending) => path.endsWith(ending))) return null;
  return (
    <OpenIn folder={path} file={file} line={line}>
      Open this file
    </OpenIn>
  );
}

/** Whether a finding is about a file as a whole, and not about a place in it. */
const isOfWhole = ({ place }: PackView['findings'][number]): boolean =>
  !place || (place.line === 1 && place.column === 1);

/** What is said of a file as a whole. */
function OfFile({
  told,
  chosen,
  onChoose,
}: {
  told: readonly Saying[];
  chosen?: number | undefined;
  onChoose: (finding: number) => void;
}) {
  return told.length ? (
    <div className={styles['whole']}>
      <Said {...{ found: told, chosen, onChoose }} />
    </div>
  ) : null;
}

/** A file that is no text: its picture where it is one, and what is said of it. */
function NoText({
  file,
  shown,
  told,
  onChoose,
}: {
  file: string;
  shown: ShownFile;
  told: readonly Saying[];
  onChoose: (finding: number) => void;
}) {
  const address = useMemo(
    () =>
      'bytes' in shown && file.endsWith('.png')
        ? URL.createObjectURL(
            new Blob([shown.bytes as Uint8Array<ArrayBuffer>], { type: 'image/png' }),
          )
        : undefined,
    [shown, file],
  );
  useEffect(() => () => (address ? URL.revokeObjectURL(address) : undefined), [address]);
  return (
    <div className={styles['plain']}>
      {address && <img src={address} alt="" className={clsx('crisp', styles['picture'])} />}
      {'gone' in shown && <p className="note">This file is not there.</p>}
      <OfFile told={told} onChoose={onChoose} />
    </div>
  );
}

/** What stands at the right when nothing is chosen. */
function Quiet({ pack }: { pack: PackView }) {
  return pack.findings.length ? (
    <p className="note">
      Choose a finding, or press <Cap of="nextFinding" />.
    </p>
  ) : (
    <>
      <h2>Nothing wrong</h2>
      <p className="note">
        Every rule was asked of {count(pack.files.length, 'file')}.{' '}
        {pack.changed.length > 0 && 'What you mended is not saved yet.'}
      </p>
    </>
  );
}
