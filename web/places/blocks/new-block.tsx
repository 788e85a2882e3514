import { Button, Group, Modal, SegmentedControl, Stack, Text, TextInput } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { itemAt } from '../../../core/lists/index.ts';
import { useNavigate } from 'react-router';
import {
  idOf,
  lookUp,
  nameFrom,
  newLookName,
  stocks,
  titleOf,
  type Mod,
} from '../../../core/mod/index.ts';
import { nameProblem } from '../../../core/mod/names.ts';
import {
  formNamed,
  forms,
  isFoundAtFirst,
  newBlock,
  newLook,
  newLookProblem,
  rolesOf,
  type BlockStart,
} from '../../../core/forms/index.ts';
import { benchPath } from '../../api/address.ts';
import { paintRoles } from '../../api/textures.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { messageOf } from '../../../core/words/index.ts';
import { Choice } from '../../parts/choice/index.tsx';
import { noteFirstBlock } from '../../parts/first-steps/visit.ts';
import { createOpened } from '../../parts/opened.ts';
import { focusMade } from '../../parts/keys/focus-made.ts';
import { Waiting } from '../../parts/waiting.tsx';
import styles from './new-block.module.css';

/** It brings the drawing along, which a page that only shows blocks does not need. */
const FormChoice = lazy(() =>
  import('../../parts/form-choice.tsx').then((file) => ({ default: file.FormChoice })),
);

const dialog = createOpened();

/** How to begin a block from anywhere: opens the dialog. */
export const openNewBlock = dialog.open;

/** Declares a block: what it is called, and what it starts from. */
export function NewBlockDialog() {
  const opened = dialog.useOpened();
  const [isMade, setMade] = useState(false);
  const close = (made: boolean) => {
    setMade(made);
    dialog.close();
  };
  return (
    <Modal
      opened={opened}
      onClose={() => close(false)}
      title="New block"
      size={920}
      // What was made takes the focus, not what opened the dialog.
      returnFocus={!isMade}
    >
      <NewBlockForm onMade={() => close(true)} />
    </Modal>
  );
}

/** What a new block shall be, as far as it was said. */
interface Wish {
  title: string;
  /** The id, once it was typed; until then it follows from the title. */
  ownName: string | undefined;
  from: 'stock' | 'block' | 'others';
  stock: string;
  form: string;
  copyOf: string | null;
  /** Whether the world has it, once that was said; until then it follows from what it starts from. */
  natural: boolean | undefined;
  /** The id of a block of others that gets a new look. */
  over: string;
}
const firstWish: Wish = {
  title: '',
  ownName: undefined,
  from: 'stock',
  stock: 'chalk',
  form: 'cube',
  copyOf: null,
  natural: undefined,
  over: '',
};

/** Whether the world has it: as was said, else as what it starts from. */
const isNatural = (mod: Mod, { natural, from, copyOf, form, stock }: Wish): boolean =>
  natural ??
  isFoundAtFirst(mod, from === 'block' && copyOf !== null ? { copyOf } : { form, stock });

const nameOf = ({ title, ownName }: Wish): string => ownName ?? nameFrom(title);

/** Whether enough was said for something to be made of it, and nothing is wrong with it. */
function isReadyFor(mod: Mod, wish: Wish): boolean {
  if (wish.from === 'others') return newLookProblem(mod, wish.over) === undefined;
  const name = nameOf(wish);
  const isStartSaid = wish.from === 'stock' || wish.copyOf !== null;
  return name !== '' && !idProblem(mod, name) && wish.title.trim() !== '' && isStartSaid;
}

function idProblem(mod: Mod, name: string): string | undefined {
  if (!name) return undefined;
  if (lookUp(mod.blocks, name)) return `There is already a block called ${name}.`;
  return nameProblem(name);
}

/** Declares the block that is wished for and goes to it; says why it could not. */
function useDeclare(onMade: () => void): {
  declare: (wish: Wish) => Promise<void>;
  problem: string | undefined;
} {
  const session = useSession();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string>();
  const declare = async (wish: Wish) => {
    const name = nameOf(wish);
    const title = wish.title.trim();
    try {
      if (wish.from === 'others') {
        const over = newLookName(wish.over);
        const look = await made(session.view.mod, wish, over);
        session.edit(`Give ${wish.over} a new look`, newLook(session.view.mod, wish.over, look));
        onMade();
        void navigate(`/m/${session.name}/${benchPath(over, 'looks')}`);
        focusMade(`[data-desk="${wish.over}"]`);
        return;
      }
      const start =
        wish.from === 'block' && wish.copyOf !== null
          ? { copyOf: wish.copyOf }
          : await made(session.view.mod, wish, name);
      const { mod } = session.view;
      session.edit(`Declare ${title}`, newBlock(mod, name, title, start, isNatural(mod, wish)));
      noteFirstBlock(session.view.mod, name);
      onMade();
      void navigate(`/m/${session.name}/blocks/${name}/traits`);
      focusMade(`[data-desk="${idOf(session.view.mod.header.namespace, name)}"]`);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return { declare, problem };
}

/** A form of a material to start from, its pictures painted and uploaded. */
async function made(
  mod: Mod,
  wish: Wish,
  name: string,
): Promise<Exclude<BlockStart, { copyOf: string }>> {
  const form = formNamed(wish.form) ?? itemAt(forms, 0);
  return {
    form,
    stock: wish.stock,
    pictures: await paintRoles(mod, rolesOf(form), wish.stock, name),
  };
}

function NewBlockForm({ onMade }: { onMade: () => void }) {
  const mod = useMod();
  const [wish, setWish] = useState(firstWish);
  const { declare, problem } = useDeclare(onMade);
  const name = nameOf(wish);
  const wrong = idProblem(mod, name);
  const isReady = isReadyFor(mod, wish);
  const isOthers = wish.from === 'others';
  const { namespace } = mod.header;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) void declare(wish);
      }}
    >
      <div className={wish.from === 'block' ? undefined : styles['halves']}>
        <Stack gap="sm">
          {isOthers ? (
            <OverField wish={wish} onWish={setWish} />
          ) : (
            <>
              <TextInput
                label="Name"
                placeholder="Kelp glass"
                maxLength={200}
                value={wish.title}
                onChange={(event) => setWish({ ...wish, title: event.currentTarget.value })}
                data-autofocus
              />
              <TextInput
                label="Id"
                value={name}
                onChange={(event) => setWish({ ...wish, ownName: event.currentTarget.value })}
                leftSection={<span className="mono soft">{namespace}:</span>}
                leftSectionWidth={namespace.length * 7.3 + 16}
                classNames={{ input: 'mono' }}
                error={wrong}
              />
            </>
          )}
          <StartFrom wish={wish} onWish={setWish} />
          {!isOthers && <ComesFrom wish={wish} onWish={setWish} />}
          {problem && (
            <Text size="xs" c="var(--brick)" role="alert">
              {problem}
            </Text>
          )}
        </Stack>
        {wish.from !== 'block' && (
          <Suspense fallback={<Waiting height="340px" />}>
            <FormChoice
              form={wish.form}
              stock={wish.stock}
              onForm={(form) => setWish({ ...wish, form })}
            />
          </Suspense>
        )}
      </div>
      <Group justify="flex-end" mt="sm">
        <Button
          type="submit"
          disabled={!isReady}
          title={isReady ? undefined : 'It needs a name of its own, and something to start from'}
        >
          {isOthers ? 'Give it a new look' : 'Declare the block'}
        </Button>
      </Group>
    </form>
  );
}

/** From a material of the stock, or as a copy of another block. */
function StartFrom({ wish, onWish }: { wish: Wish; onWish: (wish: Wish) => void }) {
  const mod = useMod();
  const blocks = Object.entries(mod.blocks).map(([value, { names }]) => ({
    value,
    label: titleOf(mod, value, names),
  }));
  return (
    <>
      <SegmentedControl
        value={wish.from}
        onChange={(from) => onWish({ ...wish, from })}
        data={[
          { value: 'stock', label: 'From stock' },
          { value: 'block', label: 'As a copy', disabled: !blocks.length },
          { value: 'others', label: 'New look' },
        ]}
        aria-label="Start from"
      />
      {wish.from !== 'block' ? (
        <Choice
          label={wish.from === 'others' ? 'Pictures to begin with' : 'Stock material'}
          data={stocks.map((stock) => ({ value: stock.name, label: stock.title }))}
          value={wish.stock}
          onTake={(stock) => onWish({ ...wish, stock })}
        />
      ) : (
        <Choice
          label="Block"
          data={blocks}
          value={wish.copyOf}
          onTake={(copyOf) => onWish({ ...wish, copyOf })}
          placeholder="Choose a block"
        />
      )}
      <Text size="xs" c="dimmed">
        {startNotes[wish.from]}
      </Text>
    </>
  );
}

/** How players come by the block: asked at once, since what nobody can get is of no use. */
function ComesFrom({ wish, onWish }: { wish: Wish; onWish: (wish: Wish) => void }) {
  const mod = useMod();
  const natural = isNatural(mod, wish);
  return (
    <div>
      <SegmentedControl
        fullWidth
        value={natural ? 'found' : 'made'}
        onChange={(origin) => onWish({ ...wish, natural: origin === 'found' })}
        data={[
          { value: 'found', label: 'The world has it' },
          { value: 'made', label: 'Players make it' },
        ]}
        aria-label="How players come by it"
      />
      <Text size="xs" c="dimmed" mt={4}>
        {natural
          ? 'It lies in the ground, grows, or stands in a pool.'
          : 'Inspection asks for a recipe, or for something that drops it, until there is one.'}
      </Text>
    </div>
  );
}

/** What each way to begin gives. */
const startNotes: Record<Wish['from'], string> = {
  stock:
    'It starts with the traits of the material, plain textures of its own, a tag for its tool and ' +
    'a number in the registry.',
  block:
    'It starts as a copy under its own name and number. It shows the same models and pictures ' +
    'until you make them its own, under Looks and Textures.',
  others:
    'The look of a block that the mod does not own. It starts as this form in every state. Everything else about the block stays as its owner ' +
    'has it.',
};

/** The block of another mod, or the stock material, that gets a new look. */
function OverField({ wish, onWish }: { wish: Wish; onWish: (wish: Wish) => void }) {
  const mod = useMod();
  const isBegun = /^([a-z][a-z0-9_]*:?)?$/.test(wish.over);
  const problem = isBegun ? undefined : newLookProblem(mod, wish.over);
  return (
    <TextInput
      label="Block"
      placeholder="driftwood:plank"
      description="Its id, with the namespace of the mod that it belongs to."
      value={wish.over}
      onChange={(event) => onWish({ ...wish, over: event.currentTarget.value.trim() })}
      classNames={{ input: 'mono' }}
      error={problem}
      data-autofocus
    />
  );
}
