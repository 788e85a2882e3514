import { NumberInput, Switch } from '@mantine/core';
import { stocks, type Header, type ResolvedBlock } from '../../../../core/mod/index.ts';
import { digTime, firstBearable, toolName, toolsOf } from '../../../../core/traits/index.ts';
import { Field } from '../../../parts/field.tsx';
import { Ruler } from '../ruler.tsx';

const ticks = stocks.map((stock) => ({ value: stock.traits.hardness as number, name: stock.name }));

/** Hardness on the ruler of stock, and the seconds it takes to dig with each tool. */
export function HardnessField({ traits, header, reset, onHardness }: { traits: ResolvedBlock['traits']; header: Header; reset: { changed?: string; onReset?: () => void }; onHardness: (hardness: number | 'unbreakable') => void }) {
  const { hardness } = traits;
  const solid = hardness === 'unbreakable';
  return (
    <Field label="Hardness" {...reset} value={solid ? <span className="mono value">unbreakable</span> : <NumberInput aria-label="Hardness" w={92} hideControls min={0} decimalScale={2} value={hardness} onChange={(value) => typeof value === 'number' && onHardness(value)} rightSection={<span className="note" style={{ fontSize: 11 }}>s</span>} rightSectionWidth={22} />}>
      {!solid && <Ruler label="Hardness on the ruler" value={hardness} low={0.3} high={16} ticks={ticks} onValue={onHardness} />}
      <DigBars traits={traits} header={header} />
      <Switch mt={8} label="Unbreakable" checked={solid} onChange={(event) => onHardness(event.currentTarget.checked ? 'unbreakable' : 2)} />
    </Field>
  );
}

/** A bar of seconds for bare hands and for every grade of the right tool; hatched where nothing drops. */
export function DigBars({ traits, header }: { traits: ResolvedBlock['traits']; header: Header }) {
  const rows = toolsOf(header, traits.toolKind).map((tool) => ({ name: toolName(tool, header), ...digTime(traits, tool, header) }));
  const longest = Math.max(...rows.map((row) => row.seconds ?? 0), 0.05);
  if (traits.hardness === 'unbreakable') return <p className="note">Nothing that a player holds digs it.</p>;
  const bearable = firstBearable(traits, header);
  return (
    <>
      <div className="bars" role="table" aria-label="Seconds to dig">
        {rows.flatMap((row) => [
          <span key={`${row.name} name`}>{row.name}</span>,
          <u key={`${row.name} bar`} className={row.yields ? undefined : 'none'} style={{ width: `${((row.seconds ?? 0) / longest) * 100}%` }} />,
          <span key={`${row.name} time`} title={`${row.ticks} ticks`}>{row.seconds!.toFixed(2)} s{row.yields ? '' : ', none'}</span>,
        ])}
      </div>
      <p className="note">{bearable === undefined ? 'No tool that yields a drop brings it under a second.' : bearable === 'bare hands' ? 'Under a second with bare hands already.' : `Under a second from the ${toolName(bearable, header)} on.`}</p>
    </>
  );
}
