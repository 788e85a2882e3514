import { Button, FileButton, SegmentedControl, Textarea } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { freeName } from '../../../../core/lists/index.ts';
import { pointer } from '../../../../core/json/index.ts';
import type { FileUnit } from '../../../../core/exchange/index.ts';
import { count } from '../../../../core/words/index.ts';
import { deskPath } from '../../../api/address.ts';
import { useSession } from '../../../api/hooks.tsx';
import {
  modelEndings,
  modelFile,
  modelIn,
  readModelFiles,
  takeOver,
  type ChosenFiles,
} from '../../../api/model-files.ts';
import { download } from '../../../parts/download.ts';
import { Cap } from '../../../parts/keys/cap.tsx';
import type { Acts } from '../acts.ts';
import { useDesk } from '../desk-state.ts';
import { blockOfModel } from '../shown-block.ts';
import { useTrying } from '../../../parts/use-trying.ts';
import styles from './stations.module.css';

/** What comes in from elsewhere and goes out: files of other programs, text, templates. */
export function Exchange({ acts }: { acts: Acts }) {
  return (
    <>
      <h3 className="part">From elsewhere</h3>
      <FromFile />
      <AsText acts={acts} />
      <h3 className="part">To elsewhere</h3>
      <ToFile />
      <AsTemplate />
    </>
  );
}

/** Boxes out of glTF and OBJ files: first one sees what they are, then they are taken over. */
function FromFile() {
  const { name, mod } = useDesk();
  const session = useSession();
  const [chosen, setChosen] = useState<ChosenFiles>();
  const [problem, tries] = useTrying();
  const read = chosen && modelIn(chosen, chosen.unit, mod.header.texels);
  const choose = (files: File[]) =>
    tries(async () => {
      setChosen(undefined);
      if (files.length) setChosen(await readModelFiles(files));
    });
  return (
    <div
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        choose([...event.dataTransfer.files]);
      }}
    >
      <div className={styles['verbs']}>
        <FileButton multiple accept={modelEndings} onChange={choose}>
          {(props) => (
            <Button variant="default" {...props}>
              Take over a glTF or OBJ file
            </Button>
          )}
        </FileButton>
      </div>
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      {chosen && read && (
        <section aria-label="What was read" className={styles['read']}>
          <p>
            <b>{chosen.scene.name}</b>: {count(read.boxes.length, 'box', 'boxes')},{' '}
            {count(read.slots.length, 'slot')}.
          </p>
          {read.notes.map((note) => (
            <p key={note} className="note">
              {note}
            </p>
          ))}
          <SegmentedControl
            size="xs"
            aria-label="A unit of the file is"
            value={chosen.unit}
            onChange={(unit: FileUnit) => setChosen({ ...chosen, unit })}
            data={[
              { value: 'block', label: 'A unit is a block' },
              { value: 'texel', label: 'A unit is a texel' },
            ]}
          />
          <div className={styles['verbs']}>
            <Button
              disabled={!read.boxes.length}
              onClick={() =>
                tries(async () => {
                  await takeOver(session, name, read);
                  setChosen(undefined);
                })
              }
            >
              Take over
            </Button>
            <Button variant="default" onClick={() => setChosen(undefined)}>
              Leave it
            </Button>
          </div>
        </section>
      )}
    </div>
  );
}

/** The model as it was made, as a file for other programs. */
function ToFile() {
  const { mod, id, name } = useDesk();
  const [problem, tries] = useTrying();
  const save = (format: 'glb' | 'obj') =>
    tries(async () => {
      const block = { ...blockOfModel(mod, id, undefined), name: name.replaceAll('/', '_') };
      const file = await modelFile(mod, block, 0, format);
      download(file.name, file.bytes, file.type);
    });
  return (
    <>
      <div className={styles['verbs']}>
        <Button variant="default" onClick={() => save('glb')}>
          Save as GLB
        </Button>
        <Button variant="default" onClick={() => save('obj')}>
          Save as OBJ
        </Button>
      </div>
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
    </>
  );
}

/** A template for other models: the same boxes, their slots open. */
function AsTemplate() {
  const { mod, name, boxes } = useDesk();
  const session = useSession();
  const navigate = useNavigate();
  if (!boxes.length) return null;
  const make = () => {
    const made = freeName(`${name}_template`, Object.keys(mod.models));
    session.edit(`Make a template of ${name}`, [
      { path: pointer(['models', made]), after: { boxes } },
    ]);
    void navigate(`/m/${session.name}/${deskPath(made)}`);
  };
  return (
    <p className="note">
      Other models can start from any model of the mod.{' '}
      <button type="button" className="link plain" onClick={make}>
        Make a template of it
      </button>{' '}
      with the same boxes and open slots.
    </p>
  );
}

function AsText({ acts }: { acts: Acts }) {
  const [text, setText] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const put = () => {
    if (acts.paste(text ?? '')) setText(undefined);
    else setProblem('This text holds no boxes. Copy some on a desk first, and put that in here.');
  };
  if (text === undefined)
    return (
      <p className="note">
        Boxes are copied and put in as text: <Cap of="copyBoxes" /> <Cap of="pasteBoxes" />, or{' '}
        <button type="button" className="link plain" onClick={() => setText('')}>
          write it here
        </button>
        .
      </p>
    );
  return (
    <>
      <Textarea
        aria-label="Boxes as text"
        placeholder='{ "boxes": [ … ] }'
        classNames={{ input: 'mono' }}
        autosize
        minRows={4}
        maxRows={12}
        autoFocus
        value={text}
        onChange={(event) => {
          setText(event.currentTarget.value);
          setProblem(undefined);
        }}
      />
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      <div className={styles['verbs']}>
        <Button variant="default" onClick={() => setText(undefined)}>
          Leave it
        </Button>
        <Button disabled={!text.trim()} onClick={put}>
          Put in
        </Button>
      </div>
    </>
  );
}
