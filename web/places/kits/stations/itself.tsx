import { Button, Checkbox, TagsInput, TextInput } from '@mantine/core';
import { useNavigate } from 'react-router';
import { writeZip } from '../../../../core/bytes/index.ts';
import { findKit, textsOfKit, writeKit } from '../../../../core/kits/index.ts';
import { kitNamePattern, type Mod } from '../../../../core/mod/index.ts';
import { freeName } from '../../../../core/lists/index.ts';
import { kitsOf } from '../../../../core/mod/kits-of.ts';
import { kitPath } from '../../../api/address.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { download } from '../../../parts/download.ts';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { useTyped } from '../../../parts/use-typed.ts';
import { addKit, removeKit, renameKit, type KitEdits } from '../use-kit.ts';
import styles from '../kits.module.css';

/** What the kit is called and for, and what becomes of it as a whole. */
export function ItselfStation({ edits }: { edits: KitEdits }) {
  const { own, name } = edits;
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const built = kitsOf(mod.header);
  const isBuilt = built.includes(name);
  const share = () =>
    download(
      `${name}.zip`,
      new Uint8Array(writeZip(writeKit(own, textsOfKit(session.view.mod.kitFiles, name)))),
      'application/zip',
    );
  const duplicate = () => {
    const called = freeName(name, Object.keys(mod.kits)).replaceAll('_', '-');
    addKit(
      session,
      called,
      { ...own, title: `${own.title} again` },
      textsOfKit(mod.kitFiles, name),
    );
    void navigate(`/m/${session.name}/${kitPath(called)}`);
  };
  return (
    <section className={styles['station']} aria-label="Itself">
      <div className={styles['narrow']}>
        <Field
          label="Title"
          value={
            <TextField
              w={340}
              aria-label="Title"
              maxLength={100}
              text={own.title}
              onText={(title) => title.trim() && edits.put('Title of the kit', 'title', title)}
            />
          }
        />
        <Field
          label="Name"
          value={
            <CommitField
              w={340}
              aria-label="Name"
              classNames={{ input: 'mono' }}
              maxLength={64}
              text={name}
              check={(next) => nameProblem(next, mod)}
              onText={(next) => {
                renameKit(session, name, next);
                void navigate(`/m/${session.name}/${kitPath(next, 'itself')}`);
              }}
            />
          }
          note="The folder that its files lie in, and what the command line calls it."
        />
        <Field label="What it is for">
          <TextField
            long
            aria-label="What it is for"
            maxLength={4000}
            text={own.note ?? ''}
            onText={(note) => edits.put('Note of the kit', 'note', note || undefined)}
          />
        </Field>
        <Field
          label="Built for"
          value={
            <Checkbox
              aria-label="Built for"
              checked={isBuilt}
              disabled={isBuilt && built.length === 1}
              onChange={() => toggleBuilt(session, name)}
            />
          }
          note="Whether the mod is built for it, beside its other kits."
        />
        <Field
          label="One file ends in"
          value={
            <EndingField
              ending={own.ending ?? '.zip'}
              onEnding={(ending) => edits.put('Ending', 'ending', ending)}
            />
          }
        />
        <Field
          label="Lists, a thing a line"
          value={
            <TagsInput
              w={340}
              aria-label="Lists, a thing a line"
              placeholder={own.lists?.length ? undefined : '.list, then Enter'}
              maxTags={16}
              value={own.lists ?? []}
              isDuplicate={(ending, others) => !listEnding.test(ending) || others.includes(ending)}
              onChange={(endings) =>
                edits.put('Files that are lists', 'lists', endings.length ? endings : undefined)
              }
            />
          }
          note="How such files end. In the pack of somebody else they get the lines that they lack."
        />
        <Physics edits={edits} />
        <div className={styles['begin']}>
          <Button variant="default" onClick={share}>
            Share it as a file
          </Button>
          <Button variant="default" onClick={duplicate}>
            Duplicate it
          </Button>
          <Button
            variant="default"
            title={
              isBuilt ? 'The mod is then no longer built for it. Undo brings it back.' : undefined
            }
            onClick={() => {
              removeKit(session, name);
              void navigate(`/m/${session.name}/kits`);
            }}
          >
            Remove the kit
          </Button>
        </div>
      </div>
    </section>
  );
}

/** How the files of a kit may end that are lists. */
const listEnding = /^\.[A-Za-z0-9_.-]{1,39}$/;

/** Why a kit cannot be called so; undefined where it can. */
function nameProblem(next: string, mod: Mod): string | undefined {
  if (!kitNamePattern.test(next)) return 'Use small letters, digits and dashes.';
  return findKit(mod, next) ? `There is a kit called ${next} already.` : undefined;
}

/** Builds for a kit, or no longer. */
function toggleBuilt(session: ReturnType<typeof useSession>, name: string): void {
  const { header } = session.view.mod;
  const names = kitsOf(header);
  const [kit, ...others] = names.includes(name)
    ? names.filter((one) => one !== name)
    : [...names, name];
  session.edit(names.includes(name) ? 'No longer build for a kit' : 'Build for a kit too', [
    { path: '/header/kit', before: header.kit, after: kit },
    { path: '/header/alsoFor', before: header.alsoFor, after: others.length ? others : undefined },
  ]);
}

function EndingField({ ending, onEnding }: { ending: string; onEnding: (ending: string) => void }) {
  const [typed, setTyped] = useTyped(ending);
  const isOdd = !/^\.[a-z0-9]{1,19}$/.test(typed);
  return (
    <TextInput
      aria-label="One file ends in"
      w={110}
      classNames={{ input: 'mono' }}
      value={typed}
      error={isOdd && 'A dot and letters.'}
      onChange={(event) => {
        const next = event.currentTarget.value.toLowerCase();
        setTyped(next);
        if (/^\.[a-z0-9]{1,19}$/.test(next)) onEnding(next);
      }}
    />
  );
}

/** Where the engine digs otherwise than the reference physics. */
function Physics({ edits }: { edits: KitEdits }) {
  const { tickRate } = useMod().header;
  const physics = edits.own.physics ?? { tickRate, wrongTool: 3 };
  return (
    <Field
      label="Ticks a second, and times for the wrong tool"
      value={
        <span className={styles['fields']}>
          <NumberField
            label="Ticks a second"
            value={physics.tickRate}
            least={1}
            most={1000}
            onNumber={(value) =>
              edits.put('Ticks a second', 'physics', { ...physics, tickRate: Math.round(value) })
            }
          />
          <NumberField
            label="Times for the wrong tool"
            value={physics.wrongTool}
            least={1}
            most={1000}
            onNumber={(wrongTool) =>
              edits.put('Times for the wrong tool', 'physics', { ...physics, wrongTool })
            }
          />
        </span>
      }
    />
  );
}
