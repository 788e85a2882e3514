import { Button, Checkbox, Popover, Select, Slider } from '@mantine/core';
import type { YardClient } from '../../api/yard.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import { Toggles } from '../../parts/toggles.tsx';
import type { LoadedYard } from '../../workers/yard-protocol.ts';
import type { Overlays } from './world.tsx';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

/** The charges of the reference physics. */
export const charges = [4, 10, 24];

/** A charge, and whether it goes off in slow motion. */
export interface Charge {
  strength: number;
  slow: boolean;
}

/** How one is in the world. */
export type Way = 'walk' | 'fly' | 'still';
const ways = [
  ['walk', 'Walk'],
  ['fly', 'Fly'],
  ['still', 'Still'],
] as const;

/** What lies over the world at its top: how one is in it, what is drawn over it, which scene. */
export function Bar({
  client,
  yard,
  way,
  onWay,
  overlays,
  onOverlays,
  charge,
  onCharge,
}: {
  client: YardClient;
  yard: LoadedYard | undefined;
  way: Way;
  onWay: (way: Way) => void;
  overlays: Overlays;
  onOverlays: (overlays: Overlays) => void;
  charge: Charge;
  onCharge: (charge: Charge) => void;
}) {
  const hasBefore = usePart(client, (view) =>
    Boolean(view.yard && client.worldsBefore(view.yard.scene).length),
  );
  const toggle = (key: 'bodies' | 'levels' | 'sounds', label: string) => ({
    label,
    isOn: overlays[key],
    onPress: () => onOverlays({ ...overlays, [key]: !overlays[key] }),
  });
  return (
    <div className={styles['chips']}>
      <Toggles
        label="How one is here"
        toggles={ways.map(([one, label]) => ({
          label,
          isOn: way === one,
          onPress: () => onWay(way === one && one === 'still' ? 'walk' : one),
        }))}
      />
      <Toggles
        label="Overlays"
        toggles={[toggle('bodies', 'Shapes'), toggle('levels', 'Light'), toggle('sounds', 'Sound')]}
      />
      <Select
        size="xs"
        aria-label="Scene"
        allowDeselect={false}
        value={yard?.scene ?? null}
        data={yard?.scenes.map((scene) => scene.name) ?? []}
        onChange={(scene) => scene !== null && void client.enter(scene)}
        className={styles['scene']}
      />
      <Button size="xs" variant="default" disabled={!yard} onClick={() => void client.reset()}>
        Reset
      </Button>
      {hasBefore && (
        <Button
          size="xs"
          variant="default"
          title="Back to the world before the reset; once more, and this one is back"
          onClick={() => void client.goBack()}
        >
          World before
        </Button>
      )}
      <Charges charge={charge} onCharge={onCharge} />
      <Climate
        value={overlays.climate}
        onChange={(climate) => onOverlays({ ...overlays, climate })}
      />
    </div>
  );
}

/** Which charge is set off, and how. */
function Charges({ charge, onCharge }: { charge: Charge; onCharge: (charge: Charge) => void }) {
  return (
    <Popover position="bottom-start" shadow="md" withArrow trapFocus>
      <Popover.Target>
        <Button size="xs" variant="default">
          Charge {charge.strength}
          {charge.slow && ', slow'}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <Toggles
          label="Strength"
          toggles={charges.map((strength) => ({
            label: String(strength),
            isOn: charge.strength === strength,
            onPress: () => onCharge({ ...charge, strength }),
          }))}
        />
        <Checkbox
          size="xs"
          mt="xs"
          label="in slow motion"
          checked={charge.slow}
          onChange={(event) => onCharge({ ...charge, slow: event.currentTarget.checked })}
        />
        <p className="note">
          <Cap of="blastIt" /> sets it off where one looks
        </p>
      </Popover.Dropdown>
    </Popover>
  );
}

const Climate = ({ value, onChange }: { value: number; onChange: (value: number) => void }) => (
  <span className={styles['climate']}>
    Climate
    <Slider
      className={styles['climates']}
      size="xs"
      min={0}
      max={1}
      step={0.02}
      label={(one) => (one < 0.3 ? 'cold and wet' : one > 0.7 ? 'hot and dry' : 'a mild coast')}
      thumbLabel="Climate"
      value={value}
      onChange={onChange}
    />
  </span>
);
