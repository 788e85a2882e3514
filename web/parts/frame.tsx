import { Menu } from '@mantine/core';
import clsx from 'clsx';
import { notifications } from '@mantine/notifications';
import { spotlight } from '@mantine/spotlight';
import { Suspense, useEffect, useState, type MouseEvent } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { addressOf, endpoints } from '../../core/api/index.ts';
import { useBuildingAsYouGo } from '../api/build-as-you-go.ts';
import { useSteps } from '../api/steps.ts';
import { useMods } from '../api/mods.ts';
import { useFindings, useSession, useView } from '../api/hooks.tsx';
import { NewBlockDialog } from '../places/blocks/new-block.tsx';
import { NewModDialog, openNewMod } from '../places/blocks/new-mod.tsx';
import { placesIn } from '../places/places.ts';
import { ConflictDialog } from './conflict.tsx';
import { FirstSteps } from './first-steps/first-steps.tsx';
import { Cap } from './keys/cap.tsx';
import { KeysSheet } from './keys/keys-sheet.tsx';
import { useEscapeLeaves } from './keys/use-escape-leaves.ts';
import { useFocusStays } from './keys/use-focus-stays.ts';
import { useKeys } from './keys/use-keys.ts';
import { FolderMark } from './folder-mark.tsx';
import { PastBand } from './past-band.tsx';
import { Palette } from './palette.tsx';
import { Waiting } from './waiting.tsx';
import styles from './frame.module.css';

export const Mark = () => (
  <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
    <path d="M2 15 11 19.5 20 15V8.5L11 13 2 8.5Z" fill="#4FA3A0" />
    <path d="M2 6.5 11 2 20 6.5 11 11Z" fill="#E0A94A" />
  </svg>
);

/** Puts the focus where the work begins; the address stays as it is. */
function skipToWork(event: MouseEvent): void {
  event.preventDefault();
  document.getElementById('work')?.focus();
}

/** The top bar and the place below it. */
export function Frame() {
  const session = useSession();
  const { mod, refused, isPast = false } = useView();
  const { undo, redo, go } = useSteps();
  const findings = useFindings() ?? [];
  const location = useLocation();
  const [keys, setKeys] = useState(false);
  const grave = findings.filter((finding) => finding.severity !== 'hint').length;
  const home = `/m/${session.name}`;
  const isBuild = location.pathname.startsWith(`${home}/build`);
  useKeys({
    undo: () => go('undo'),
    redo: () => go('redo'),
    keys: () => setKeys(true),
  });
  // The palette opens from inside fields too; undo leaves those to the browser, which takes back
  // letters.
  useKeys({ palette: spotlight.open }, { inFields: true });
  useEscapeLeaves();
  useBuildingAsYouGo();
  useFocusStays();
  useEffect(() => {
    if (refused) notifications.show({ message: refused, color: 'brick', autoClose: 9000 });
  }, [refused]);
  return (
    <div className={styles['frame']} data-frame>
      <header className={styles['bar']}>
        <a href="#work" className={styles['skip']} onClick={skipToWork}>
          Skip to the work
        </a>
        <Link to={`${home}/blocks`} className={styles['mark']}>
          <Mark />
          Obrank
        </Link>
        <ModMenu title={mod.header.title} version={mod.header.version} />
        <FolderMark />
        <nav aria-label="Places">
          {placesIn('bar')
            .filter(({ path }) => !isPast || path !== 'build')
            .map(({ path, title }) => (
              <NavLink key={path} to={`${home}/${path}`}>
                {title}
                {path === 'inspection' && grave > 0 && (
                  <span className={styles['many']} title={`${grave} errors and warnings`}>
                    {grave}
                  </span>
                )}
              </NavLink>
            ))}
        </nav>
        <button type="button" className={styles['find']} onClick={() => spotlight.open()}>
          <span>Go to or do…</span>
          <Cap of="palette" />
        </button>
        <span className={styles['steps']}>
          <button
            type="button"
            disabled={!undo}
            onClick={() => go('undo')}
            title={undo ? `Undo: ${undo} (Ctrl Z)` : 'Nothing to undo'}
          >
            Undo
          </button>
          <button
            type="button"
            disabled={!redo}
            onClick={() => go('redo')}
            title={redo ? `Redo: ${redo} (Ctrl Shift Z)` : 'Nothing to redo'}
          >
            Redo
          </button>
        </span>
        {/* Where it leads it makes room, so that nothing jumps sideways between places. */}
        <Link
          to={`${home}/build`}
          className={clsx(styles['build'], (isBuild || isPast) && styles['unseen'])}
        >
          Build the pack
        </Link>
      </header>
      {isPast ? <PastBand /> : <FirstSteps />}
      <main className={styles['place']} id="work" tabIndex={-1}>
        <Suspense fallback={<Waiting height="80vh" />}>
          <Outlet />
        </Suspense>
      </main>
      <Palette onKeys={() => setKeys(true)} />
      <KeysSheet opened={keys} onClose={() => setKeys(false)} />
      <NewBlockDialog />
      <NewModDialog />
      <ConflictDialog />
    </div>
  );
}

function ModMenu({ title, version }: { title: string; version: string }) {
  const navigate = useNavigate();
  const session = useSession();
  const { data, mutate } = useMods();
  return (
    <>
      <Menu position="bottom-start" onOpen={() => void mutate()}>
        <Menu.Target>
          <button
            type="button"
            className={styles['mod']}
            aria-label={`Mod: ${title} ${version}. Change mod`}
          >
            {title} <span className="mono">{version}</span>
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          {(data ?? [])
            .filter(({ removed }) => removed === undefined)
            .map((one) => (
              <Menu.Item
                key={one.name}
                onClick={() => void navigate(`/m/${one.name}/blocks`)}
                fw={one.name === session.name ? 600 : 400}
              >
                {one.title} <span className="mono soft">{one.name}</span>
              </Menu.Item>
            ))}
          <Menu.Divider />
          <Menu.Item component={Link} to="/mods">
            All mods
          </Menu.Item>
          <Menu.Item component={Link} to={`/m/${session.name}/home`}>
            Settings of this mod
          </Menu.Item>
          <Menu.Item onClick={openNewMod}>New mod…</Menu.Item>
          <Menu.Item
            component="a"
            href={addressOf(endpoints.downloadFolder, { mod: session.name })}
          >
            Download this mod as a folder (.zip)
          </Menu.Item>
        </Menu.Dropdown>
      </Menu>
    </>
  );
}

/** The quiet mark that says whether everything is saved. */
export function SavedMark() {
  const { saving, savedAt, notSaved = 'the server does not answer' } = useView();
  const at = savedAt?.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const words = {
    saved: at === undefined ? 'Saved' : `Saved at ${at}`,
    saving: 'Saving…',
    offline: `Not saved: ${notSaved}`,
  }[saving];
  return (
    <span
      role="status"
      data-saving={saving}
      className={saving === 'offline' ? styles['not-saved'] : undefined}
    >
      {words}
    </span>
  );
}
