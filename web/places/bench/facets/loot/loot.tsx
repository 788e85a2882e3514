import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import type { Count, Draw } from '../../../../../core/mod/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { CountField } from '../../../../parts/loot/count-field.tsx';
import { DrawsEditor } from '../../../../parts/loot/draws-editor.tsx';
import { ItemIcon, ItemSelect, useItemOptions } from '../../../../parts/item.tsx';
import { useDropChoice } from '../../truth/choice.tsx';
import { usePaintDrops } from '../../truth/paint.ts';
import type { FacetProps } from '../index.tsx';
import { Breaks } from './breaks.tsx';
import { Cap } from '../../../../parts/keys/cap.tsx';
import styles from '../invite.module.css';
import lootStyles from '../../../../parts/loot/loot.module.css';

const said = { itself: 'It drops itself.', nothing: 'It drops nothing, on purpose.' } as const;

/**
 * What drops: strokes for the whole loot or the chosen cells, the list that follows, and how often
 * breaking it comes out how.
 */
export function LootFacet({ editor, truth: open, onTruth }: FacetProps) {
  const { declared, block, set } = editor;
  const { truth, cursor } = useDropChoice();
  const paint = usePaintDrops(editor);
  const { loot } = declared;
  const put = (label: string, draws: Draw[]) => set(label, ['loot'], { draws });
  return (
    <>
      {paint.whole ? <Quick paint={paint} /> : <Brush editor={editor} paint={paint} />}
      {!open && (
        <p className={clsx('note', styles['invite'])}>
          <button type="button" className="link" onClick={onTruth}>
            Open the truth table
          </button>
          : every tool by every state that counts. <Cap of="middle" />
        </p>
      )}
      {loot === undefined ? (
        <p className="bad">
          It drops nothing and does not say so. Choose one of the strokes above.
        </p>
      ) : typeof loot === 'string' ? (
        <p className="note">
          {said[loot]}{' '}
          <button
            type="button"
            className="link"
            onClick={() =>
              put('Drop by a list of draws', [{ times: 1, lots: [{ give: block.id }] }])
            }
          >
            As a list of draws
          </button>
        </p>
      ) : (
        <DrawsEditor
          draws={loot.draws}
          onDraws={put}
          space={block.space}
          breaking={truth.breakingOf(cursor)}
          usual={paint.item ?? block.id}
        />
      )}
      <Breaks editor={editor} />
    </>
  );
}

function Quick({ paint }: { paint: ReturnType<typeof usePaintDrops> }) {
  const options = useItemOptions();
  return (
    <div className={lootStyles['quick']} role="group" aria-label="Strokes for the whole loot">
      <div className={lootStyles['line']}>
        <Button variant="default" onClick={paint.itself}>
          Itself
          <Cap of="dropItself" />
        </Button>
        <Button variant="default" onClick={paint.nothing}>
          Nothing, on purpose
          <Cap of="dropNothing" />
        </Button>
      </div>
      <div className={lootStyles['line']}>
        {paint.item !== undefined && <ItemIcon id={paint.item} size={24} />}
        <span className={lootStyles['grow']}>
          <ItemSelect
            aria-label="Item that drops"
            value={paint.item}
            options={options}
            onItem={paint.setItem}
            placeholder="An item"
          />
        </span>
        <Button
          variant="default"
          disabled={paint.item === undefined}
          onClick={() => paint.itemOrItself()}
        >
          It; itself when careful
          <Cap of="dropItem" />
        </Button>
      </div>
    </div>
  );
}

/** What the chosen cells of the truth table shall bring. */
function Brush({
  editor,
  paint,
}: {
  editor: FacetProps['editor'];
  paint: ReturnType<typeof usePaintDrops>;
}) {
  const { chosen, cursor, move } = useDropChoice();
  const options = useItemOptions();
  const [many, setMany] = useState<Count>(1);
  const back = () => document.querySelector<HTMLElement>('#drops')?.focus();
  return (
    <div
      id="drop-brush"
      className={lootStyles['drop-brush']}
      role="group"
      aria-label="Brush"
      onKeyDown={(event) => {
        if (event.key === 'Escape') back();
      }}
    >
      <b>In {count(chosen.size, 'chosen cell')}</b>
      <div className={lootStyles['quick']}>
        <div className={lootStyles['line']}>
          <span className={lootStyles['grow']}>
            <ItemSelect
              aria-label="Item to drop there"
              placeholder="Item to drop there"
              value={paint.item}
              options={options}
              onItem={(id) => {
                paint.setItem(id);
                paint.give(id, many);
                back();
              }}
            />
          </span>
          <CountField label="there" value={many} onValue={setMany} />
        </div>
        <div className={lootStyles['line']}>
          <Button
            disabled={paint.item === undefined}
            onClick={() => paint.item !== undefined && paint.give(paint.item, many)}
          >
            Drop it
          </Button>
          <Button variant="default" onClick={paint.itself}>
            Itself
            <Cap of="dropItself" />
          </Button>
          <Button variant="default" onClick={paint.nothing}>
            Nothing
            <Cap of="dropNothing" />
          </Button>
          <button type="button" className="tiny" onClick={() => move(cursor, [])}>
            Choose none
          </button>
        </div>
      </div>
      {editor.block.traits.gated && (
        <span className="note">
          The block is gated: with another tool than its own nothing drops, whatever the loot says.
        </span>
      )}
    </div>
  );
}
