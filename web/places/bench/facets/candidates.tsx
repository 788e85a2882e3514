import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import { Checkbox, NumberInput } from '@mantine/core';
import { useState } from 'react';
import { withOrientation, type Candidate } from '../../../../core/mod/index.ts';
import { isOrientation, usualTop, type Orientation } from '../../../../core/space/index.ts';
import { OrientationPicker } from '../../../parts/orientation-picker.tsx';
import { Rendering } from '../../../parts/rendering.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import styles from './candidates.module.css';
import statesStyles from './states/states.module.css';

interface Props {
  use: readonly Candidate[];
  models: string[];
  block: string;
  /** A state that shows these candidates, to draw them; none draws nothing. */
  state?: number;
  /** Whether the orientation picker stands open from the start. */
  open?: boolean;
  /** Only the models changed, or only how they are turned, where that is all that did. */
  onUse: (use: Candidate[], changed?: 'model' | 'turned') => void;
  onDone?: () => void;
}

/**
 * The candidates of one look: model, where front and top point, share in per cent, and whether
 * pictures stay upright.
 */
export function Candidates({ use, models, block, state, open, onUse, onDone }: Props) {
  const [turning, setTurning] = useState<number | undefined>(open ? 0 : undefined);
  const total = use.reduce((sum, one) => sum + Math.max(0, one.share ?? 1), 0);
  const put = (c: number, next: Candidate, changed?: 'model' | 'turned') =>
    onUse(use.with(c, next), changed);
  const at = turning !== undefined && turning < use.length ? turning : undefined;
  return (
    <>
      {use.length === 0 && (
        <ModelSelect
          models={models}
          model={undefined}
          onModel={(model) => {
            onUse([{ model }]);
            onDone?.();
          }}
        />
      )}
      {use.map((candidate, c) => (
        <CandidateCard
          key={c}
          candidate={candidate}
          index={c}
          {...{ models, block, state, open, onDone }}
          share={use.length > 1 ? Math.max(0, candidate.share ?? 1) / total : undefined}
          isTurning={at === c}
          onTurning={() => setTurning(at === c ? undefined : c)}
          onCandidate={(next, changed) => put(c, next, changed)}
          onRemove={() => onUse(use.filter((_, other) => other !== c))}
        />
      ))}
      {at !== undefined && (
        <Turning candidate={itemAt(use, at)} onCandidate={(next) => put(at, next, 'turned')} />
      )}
      {use.length > 0 && (
        <button
          type="button"
          className="tiny"
          onClick={() =>
            onUse([
              ...use.map((one) => ({ ...one, share: one.share ?? 1 })),
              { ...use.at(-1)!, share: 1 },
            ])
          }
        >
          Add a candidate
        </button>
      )}
    </>
  );
}

interface CardProps extends Pick<Props, 'models' | 'block' | 'state' | 'open' | 'onDone'> {
  candidate: Candidate;
  index: number;
  /** Its part of the whole, 0 to 1; none where it is the only one. */
  share: number | undefined;
  isTurning: boolean;
  onTurning: () => void;
  onCandidate: (next: Candidate, changed?: 'model' | 'turned') => void;
  onRemove: () => void;
}

/** One candidate: its drawing, its model, its share, and how it is turned. */
function CandidateCard(props: CardProps) {
  const { candidate, index, models, block, state, open, share, isTurning } = props;
  const { onDone, onCandidate, onRemove, onTurning } = props;
  const { front = 'south', top = usualTop(front) } = candidate;
  return (
    <div
      className={clsx(
        styles['candidate'],
        state === undefined && styles['undrawn'],
        share === undefined && styles['alone'],
      )}
    >
      {state !== undefined && <Rendering block={block} state={state} pick={index} size={44} />}
      <ModelSelect
        open={open}
        models={models}
        model={candidate.model}
        onModel={(model) => {
          onCandidate({ ...candidate, model }, 'model');
          onDone?.();
        }}
      />
      {share !== undefined && (
        <>
          <NumberInput
            aria-label="Share"
            hideControls
            min={0}
            value={candidate.share ?? 1}
            onChange={(next) =>
              typeof next === 'number' && onCandidate({ ...candidate, share: next })
            }
            rightSection={<span className="soft small">{percent(share || 0)}</span>}
            rightSectionWidth={42}
          />
          <button
            type="button"
            className="tiny"
            aria-label="Remove this candidate"
            onClick={onRemove}
          >
            ×
          </button>
        </>
      )}
      <button
        type="button"
        className={styles['turned']}
        aria-expanded={isTurning}
        onClick={onTurning}
        disabled={open && share === undefined}
      >
        front faces <b>{front}</b>, top points <b>{top}</b>
        {candidate.upright ? ', upright' : ''}
      </button>
    </div>
  );
}

/** A share of the whole in per cent; small ones with a digit more. */
const percent = (share: number): string =>
  `${share * 100 < 9.95 && share > 0 ? (share * 100).toFixed(1) : Math.round(share * 100)}%`;

/**
 * The model by its id; a field to search in only while somebody chooses, since long lists of rows
 * show many of these.
 */
function ModelSelect({
  models,
  model,
  onModel,
  open,
}: {
  models: string[];
  model: string | undefined;
  onModel: (model: string) => void;
  open?: boolean;
}) {
  const [choosing, setChoosing] = useState(false);
  const known = model === undefined || models.includes(model);
  if (!open && !choosing && model !== undefined)
    return (
      <button
        type="button"
        className={clsx(styles['model-name'], !known && styles['unknown'])}
        aria-label={`Model: ${model}. Choose another`}
        title={model}
        onClick={() => setChoosing(true)}
        onFocus={(event) => event.currentTarget.matches(':focus-visible') && setChoosing(true)}
      >
        {model}
      </button>
    );
  return (
    <Choice
      aria-label="Model"
      placeholder="Choose a model"
      data={known ? models : [model, ...models]}
      value={model ?? null}
      error={!known}
      autoFocus={choosing}
      onBlur={() => setChoosing(false)}
      onTake={onModel}
      title={model}
      comboboxProps={{ width: 260, position: 'bottom-start' }}
    />
  );
}

function Turning({
  candidate,
  onCandidate,
}: {
  candidate: Candidate;
  onCandidate: (next: Candidate) => void;
}) {
  const { front = 'south', top = usualTop(front) } = candidate;
  const orientation: Orientation = isOrientation({ front, top })
    ? { front, top }
    : { front, top: usualTop(front) };
  const { upright: _upright, ...rest } = candidate;
  return (
    <div className={statesStyles['turning']}>
      <OrientationPicker
        orientation={orientation}
        onOrientation={(next) => onCandidate(withOrientation(candidate, next))}
      />
      <Checkbox
        size="xs"
        label="Keep texture upright"
        checked={candidate.upright === true}
        onChange={(event) =>
          onCandidate(event.currentTarget.checked ? { ...rest, upright: true } : rest)
        }
      />
    </div>
  );
}
