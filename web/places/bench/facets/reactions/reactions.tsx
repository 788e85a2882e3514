import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { movedUp } from '../../../../../core/lists/index.ts';
import {
  reactionEvents,
  type Reaction,
  type ReactionEvent,
} from '../../../../../core/mod/index.ts';
import { startsOf, statesGiven } from '../../../../../core/placing/index.ts';
import {
  actionInWords,
  ifInWords,
  reactionReach,
  whenInWords,
  type WhyDead,
} from '../../../../../core/reactions/index.ts';
import { listed } from '../../../../../core/words/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { NumberField } from '../../../../parts/number-field.tsx';
import rowCardStyles from '../../../../parts/row-card.module.css';
import type { FacetProps } from '../index.tsx';
import { Actions } from './actions.tsx';
import { Conditions } from './conditions.tsx';
import { fillingOf, freshReaction, type Filling } from './fresh.ts';
import { calledIn } from './play.ts';
import { Scene } from './scene.tsx';
import { WordChoice } from './word-choice.tsx';
import styles from './reactions.module.css';

const deadWords: Readonly<Record<WhyDead, string>> = {
  'the state never is': 'never: it is never in that state',
  'it can never hold': 'never: this can never hold',
  'an earlier one always answers': 'never: an earlier one always answers',
  'another one is sooner': 'never: another one is always sooner',
};

/**
 * What the block does when something happens: each reaction a sentence whose words are chosen in
 * place, and a scene that plays what they say.
 */
export function ReactionsFacet({ editor, state, onState }: FacetProps) {
  const { declared, block, set } = editor;
  const mod = useMod();
  const { reactions = [] } = declared;
  const filling = useMemo(() => fillingOf(mod, block.space.properties), [mod, block]);
  const dead = useMemo(
    () =>
      block.space.tooLarge
        ? []
        : reactionReach(
            declared.reactions ?? [],
            block.space,
            startsOf(block, statesGiven(mod.blocks, block.id)),
            { id: block.id },
          ).dead,
    [declared.reactions, block, mod.blocks],
  );
  const [open, setOpen] = useState<number>();
  const put = (label: string, next: readonly Reaction[]) =>
    set(label, ['reactions'], next.length ? next : undefined);
  return (
    <>
      {reactions.length === 0 && (
        <p className="note">
          It does nothing by itself. Let it answer: a lamp that is lit when it is used, a gate that
          opens while a signal comes, a plant that grows.
        </p>
      )}
      {reactions.map((reaction, i) => (
        <ReactionCard
          key={i}
          number={i + 1}
          reaction={reaction}
          filling={filling}
          dead={dead[i]}
          isOpen={open === i}
          onOpen={() => setOpen(open === i ? undefined : i)}
          onReaction={(next) => put(`Change reaction ${i + 1}`, reactions.with(i, next))}
          onRemove={() => {
            put(`Remove reaction ${i + 1}`, reactions.toSpliced(i, 1));
            setOpen(undefined);
          }}
          onUp={
            i > 0
              ? () => {
                  put(`Move reaction ${i + 1} up`, movedUp(reactions, i));
                  setOpen(i - 1);
                }
              : undefined
          }
        />
      ))}
      <Button
        variant="default"
        data-begin
        onClick={() => {
          put('Add a reaction', [...reactions, freshReaction(filling)]);
          setOpen(reactions.length);
        }}
      >
        Add a reaction
      </Button>
      {reactions.length > 1 && <p className="note">Of those that fit, the first does it.</p>}
      {!block.space.tooLarge && <Scene editor={editor} state={state} onState={onState} />}
    </>
  );
}

const eventWords: Readonly<Record<ReactionEvent, string>> = {
  placed: 'it is placed',
  broken: 'it is broken',
  'dug wrongly': 'it is dug wrongly',
  used: 'it is used',
  'stepped on': 'it is stepped on',
  'landed on': 'it is landed on',
  'neighbour changes': 'a neighbour changes',
  'signal comes': 'a signal comes',
  'signal goes': 'the signal goes',
  'at random': 'at random, once in',
  'after ticks': 'after',
};

interface CardProps {
  number: number;
  reaction: Reaction;
  filling: Filling;
  dead: WhyDead | undefined;
  isOpen: boolean;
  onOpen: () => void;
  onReaction: (reaction: Reaction) => void;
  onRemove: () => void;
  onUp: (() => void) | undefined;
}

/** One reaction as a sentence; opened, its words are chosen in place. */
function ReactionCard(props: CardProps) {
  const { number, reaction, filling, dead, isOpen, onOpen, onReaction, onRemove, onUp } = props;
  const mod = useMod();
  const called = (id: string) => calledIn(mod, id);
  const asked = ifInWords(reaction.if, called);
  return (
    <div
      className={clsx(rowCardStyles['row-card'], dead && rowCardStyles['dead'], styles['card'])}
      role="group"
      aria-label={`Reaction ${number}`}
    >
      <button type="button" className={styles['read']} aria-expanded={isOpen} onClick={onOpen}>
        <span className="mono soft">{number}.</span>{' '}
        <span>
          {reaction.when === 'at random' ? 'It happens' : 'When'} <b>{whenInWords(reaction)}</b>
          {asked.length > 0 && <>, if {listed(asked)}</>}:{' '}
          <b>{listed(reaction.then.map((action) => actionInWords(action, called)))}</b>.
        </span>
      </button>
      {isOpen && (
        <>
          <When {...{ number, reaction, onReaction }}>
            <button
              type="button"
              className="tiny"
              disabled={!onUp}
              aria-label={`Move reaction ${number} up`}
              onClick={onUp}
            >
              ↑
            </button>
            <button
              type="button"
              className="tiny"
              aria-label={`Remove reaction ${number}`}
              onClick={onRemove}
            >
              ×
            </button>
          </When>
          <Conditions
            number={number}
            asked={reaction.if ?? {}}
            filling={filling}
            onIf={(asked) => {
              const { if: _, ...rest } = reaction;
              onReaction(asked ? { ...rest, if: asked } : rest);
            }}
          />
          <Actions
            number={number}
            then={reaction.then}
            filling={filling}
            onThen={(then) => onReaction({ ...reaction, then })}
          />
        </>
      )}
      {dead && <p className={styles['never']}>{deadWords[dead]}</p>}
    </div>
  );
}

/** Events that somebody brings about. */
const bySomebody: readonly ReactionEvent[] = [
  'placed',
  'broken',
  'dug wrongly',
  'used',
  'stepped on',
  'landed on',
];

function When({
  number,
  reaction,
  onReaction,
  children,
}: Pick<CardProps, 'number' | 'reaction' | 'onReaction'> & { children: React.ReactNode }) {
  const { by, ticks, ...rest } = reaction;
  const isTimed = reaction.when === 'after ticks' || reaction.when === 'at random';
  return (
    <div className={styles['clause']}>
      <b>when</b>
      <div className={styles['parts']}>
        <WordChoice
          label={`When, of reaction ${number}`}
          value={reaction.when}
          words={reactionEvents.map((event) => [event, eventWords[event]] as const)}
          onChange={(when) =>
            onReaction({
              ...rest,
              when,
              ...(bySomebody.includes(when) && by && { by }),
              ...((when === 'after ticks' || when === 'at random') && { ticks: ticks ?? 20 }),
            })
          }
        />
        {isTimed && (
          <>
            <NumberField
              label={`Ticks of reaction ${number}`}
              value={ticks ?? 1}
              least={1}
              most={1_000_000}
              onNumber={(next) => onReaction({ ...reaction, ticks: Math.round(next) })}
            />
            ticks
          </>
        )}
        {bySomebody.includes(reaction.when) && (
          <WordChoice
            label={`By whom, of reaction ${number}`}
            value={by ?? 'anything'}
            words={[
              ['anything', 'by whatever it is'],
              ['players', 'by a player'],
              ['creatures', 'by a creature'],
            ]}
            onChange={(who) => onReaction(who === 'anything' ? { ...rest } : { ...rest, by: who })}
          />
        )}
        <span className={styles['acts']}>{children}</span>
      </div>
    </div>
  );
}
