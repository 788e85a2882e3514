import { ColorInput } from '@mantine/core';
import { useState } from 'react';
import {
  editFamily,
  madeAt,
  partNameProblem,
  tonedPictures,
  withoutPart,
  withPart,
  withPartRenamed,
} from '../../../../core/families/index.ts';
import {
  countedTraits,
  isTraitRows,
  lookUp,
  resolveBlock,
  stockNamed,
  stocks,
  traitFacts,
  type Family,
  type Material,
} from '../../../../core/mod/index.ts';
import { colourFromHex, hexOf, toneRamp } from '../../../../core/textures/facts/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useDeclared, useMod, useSession } from '../../../api/hooks.tsx';
import { AskFirst } from '../../../parts/ask-first.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { complain } from '../../../parts/complain.ts';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { Ruler } from '../../bench/ruler.tsx';
import { languageName } from '../../../parts/language-name.ts';
import { MaterialTones } from '../../texture-desk/stations/material-tones.tsx';
import { editWithPictures } from '../toned.ts';
import { consequenceInWords, type FamilyEdits } from '../use-family.ts';
import styles from './stations.module.css';

type Trait = (typeof countedTraits)[number];

interface MaterialProps {
  family: Family;
  material: Material;
  edits: FamilyEdits;
  choose: (part: { material?: string }) => void;
}

/** What everything that is made of a material has: its names, its tones, its numbers. */
export function MaterialStation(props: MaterialProps) {
  const { family, material, edits, choose } = props;
  return (
    <>
      <div className={styles['head']}>
        <h2>{material.name.replaceAll('_', ' ')}</h2>
        <AskFirst
          act={`Remove ${material.name}`}
          says={() =>
            consequenceInWords(
              edits.consequence((one) => withoutPart(one, 'material', material.name)),
            )
          }
          onAct={() => {
            edits.edit(`Remove ${material.name} from ${edits.name}`, (one) =>
              withoutPart(one, 'material', material.name),
            );
            choose({});
          }}
        />
      </div>
      <p className="note">A thread of the warp: everything made of it has this from it.</p>
      <Id {...props} />
      <Names {...props} />
      <Tones {...props} />
      <StockOf {...props} />
      <h3 className="part">Numbers</h3>
      {shownTraits(family).map((trait) => (
        <TraitLine key={trait} trait={trait} {...props} />
      ))}
      <AnotherTrait {...props} />
      <h3 className="part">As tools, and in the fire</h3>
      <OwnNumbers {...props} />
    </>
  );
}

function Id({ family, material, edits, choose }: MaterialProps) {
  const [typed, setTyped] = useState(material.name);
  const renamed = { of: 'material', from: material.name, to: typed } as const;
  const problem = partNameProblem(family, 'material', typed, material.name);
  const says =
    typed === material.name || problem
      ? undefined
      : consequenceInWords(edits.consequence((one) => withPartRenamed(one, renamed), renamed));
  return (
    <Field
      label="Id"
      value={
        <CommitField
          w={220}
          aria-label="Id of the material"
          classNames={{ input: 'mono' }}
          text={material.name}
          check={(name) => partNameProblem(family, 'material', name, material.name)}
          onInput={(event) => setTyped(event.currentTarget.value)}
          onText={(to) => {
            const to_ = { ...renamed, to };
            edits.edit(`Rename ${material.name} to ${to}`, (one) => withPartRenamed(one, to_), to_);
            choose({ material: to });
          }}
        />
      }
      note={says ?? 'What it makes is called after it, and goes along when it is renamed.'}
    />
  );
}

function Names({ material, edits }: MaterialProps) {
  const { languages } = useMod().header;
  return (
    <Field label="In names" note="As within a sentence: in “{material} stair” it stands so.">
      {languages.map((language) => (
        <div key={language} className={styles['line']}>
          <span>{languageName(language)}</span>
          <TextField
            w={220}
            aria-label={`Called in ${language}`}
            text={lookUp(material.names, language) ?? ''}
            onText={(text) =>
              edits.edit(`Call ${material.name} ${text}`, (one) =>
                withPart(one, 'materials', material.name, ({ names, ...rest }) => {
                  const { [language]: _, ...others } = names;
                  return { ...rest, names: text ? { ...others, [language]: text } : others };
                }),
              )
            }
          />
        </div>
      ))}
    </Field>
  );
}

/** So many tones a material has. */
const manyTones = 5;

function Tones({ material, edits }: MaterialProps) {
  const session = useSession();
  const declared = useDeclared();
  const [open, setOpen] = useState<number>();
  const { tones = [] } = material;
  const follow = tonedPictures(declared, edits.name, material.name);
  const put = (next: readonly string[] | undefined) =>
    void editWithPictures(
      session,
      `Change the tones of ${material.name}`,
      edits.name,
      () => [material.name],
      (mod) =>
        editFamily(mod, edits.name, (one) =>
          withPart(one, 'materials', material.name, ({ tones: _, ...rest }) =>
            next ? { ...rest, tones: [...next] } : rest,
          ),
        ),
    ).catch(complain);
  const shown = open === undefined ? undefined : tones[open];
  return (
    <Field
      label="Tones"
      note={
        follow.length
          ? `${count(follow.length, 'picture')} of it ${follow.length > 1 ? 'are' : 'is'} made from others in these tones: ` +
            `${listed(follow.slice(0, 3).map(({ texture }) => texture))}${follow.length > 3 ? ' and more' : ''}.`
          : 'From dark to light. Pictures that a form makes from others are put into them.'
      }
    >
      <div className={styles['tones']} role="group" aria-label="Tones from dark to light">
        {tones.map((tone, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Tone ${i + 1}: ${tone}`}
            aria-pressed={open === i}
            style={{ background: tone }}
            onClick={() => setOpen(open === i ? undefined : i)}
          />
        ))}
        {tones.length > 0 && (
          <button type="button" className="tiny" onClick={() => put(undefined)}>
            none
          </button>
        )}
      </div>
      {shown !== undefined && open !== undefined && (
        <ColorInput
          aria-label={`Tone ${open + 1}`}
          withEyeDropper={false}
          w={140}
          value={shown}
          onChangeEnd={(value) => {
            const colour = colourFromHex(value);
            if (colour) put(tones.with(open, hexOf(colour)));
          }}
        />
      )}
      {tones.length === 0 && (
        <ColorInput
          aria-label="Tones round a colour"
          placeholder="Five tones round a colour"
          withEyeDropper={false}
          w={220}
          onChangeEnd={(value) => {
            const colour = colourFromHex(value);
            if (colour) put(toneRamp(colour, manyTones).map(hexOf));
          }}
        />
      )}
      <details className={styles['more']}>
        <summary>Those of a stock material</summary>
        <MaterialTones
          label="Tones of stock materials"
          isChosen={() => false}
          onChoose={(_, next) => put(next)}
        />
      </details>
    </Field>
  );
}

function StockOf({ material, edits }: MaterialProps) {
  return (
    <Field
      label="Stock"
      value={
        <Choice
          w={220}
          aria-label="Stock of the material"
          data={[
            { value: '', label: 'None' },
            ...stocks.map(({ name, title }) => ({ value: name, label: title })),
          ]}
          value={material.stock ?? ''}
          onTake={(stock) =>
            edits.edit(`Start ${material.name} from ${stock || 'nothing'}`, (one) =>
              withPart(one, 'materials', material.name, ({ stock: _, ...rest }) =>
                stock ? { ...rest, stock } : rest,
              ),
            )
          }
        />
      }
      note="What its blocks start from, but where a form brings a stock of its own."
    />
  );
}

/** The numbers that are always there, and those that any material of the family names. */
const shownTraits = ({ materials }: Family): Trait[] =>
  countedTraits.filter(
    (trait) =>
      ['hardness', 'blastRating', 'leastGrade'].includes(trait) ||
      materials.some(({ traits }) => typeof traits?.[trait] === 'number'),
  );

const scales: Partial<Record<Trait, { low: number; high: number; log?: boolean; step: number }>> = {
  hardness: { low: 0.1, high: 60, log: true, step: 0.1 },
  blastRating: { low: 0.1, high: 100, log: true, step: 0.5 },
};

const numberIn = (value: unknown): number | undefined =>
  typeof value === 'number' ? value : undefined;

function TraitLine({ trait, family, material, edits }: MaterialProps & { trait: Trait }) {
  const { words, unit } = traitFacts(trait);
  const own = numberIn(material.traits?.[trait]);
  const usual = numberIn(stockNamed(material.stock)?.traits[trait]);
  const value = own ?? usual;
  const put = (next: number | undefined) =>
    edits.edit(`Change ${words} of ${material.name}`, (one) =>
      withPart(one, 'materials', material.name, (part) => {
        const { [trait]: _, ...others } = part.traits ?? {};
        const traits = next === undefined ? others : { ...others, [trait]: next };
        const { traits: __, ...rest } = part;
        return Object.keys(traits).length ? { ...rest, traits } : rest;
      }),
    );
  const scale = scales[trait];
  const siblings = family.materials.flatMap((one) => {
    const at = numberIn(one.traits?.[trait]) ?? numberIn(stockNamed(one.stock)?.traits[trait]);
    return at === undefined || one === material ? [] : [{ name: one.name, value: at }];
  });
  return (
    <Field
      label={`${words.charAt(0).toUpperCase()}${words.slice(1)}${unit ? `, ${unit}` : ''}`}
      {...(own !== undefined && usual !== undefined
        ? { changed: `stock: ${usual}`, onReset: () => put(undefined) }
        : {})}
      value={
        <NumberField label={words} value={value ?? 0} least={0} onNumber={(next) => put(next)} />
      }
    >
      {scale && value !== undefined && (
        <Ruler
          label={`${words} beside the other materials`}
          value={value}
          {...scale}
          ticks={siblings}
          of={(block) => {
            const at = block.traits[trait];
            return typeof at === 'number' && !isTraitRows(at) ? at : undefined;
          }}
          onValue={put}
        />
      )}
      <FormsHave trait={trait} family={family} material={material} edits={edits} />
    </Field>
  );
}

/** What the blocks of the material come to have: as it says, so many times that, or of their own. */
function FormsHave({
  trait,
  family,
  material,
  edits,
}: Pick<MaterialProps, 'family' | 'material' | 'edits'> & { trait: Trait }) {
  const mod = useMod();
  const declared = useDeclared();
  const blocks = family.forms.flatMap((form) => {
    const place = { family: edits.name, material: material.name, form: form.name };
    const name = madeAt(declared, place)?.name ?? '';
    const block = lookUp(mod.blocks, name);
    const value = block && resolveBlock(mod, name, block).traits[trait];
    return typeof value === 'number' ? [{ form: form.name, value }] : [];
  });
  const { unit } = traitFacts(trait);
  const values = new Set(blocks.map(({ value }) => value));
  if (values.size < 2) return null;
  return (
    <p className="note">
      {listed(
        blocks.map(
          ({ form, value }) => `${form.replaceAll('_', ' ')} ${value}${unit ? ` ${unit}` : ''}`,
        ),
      )}
      .
    </p>
  );
}

function AnotherTrait({ family, material, edits }: MaterialProps) {
  const left = countedTraits.filter((trait) => !shownTraits(family).includes(trait));
  return (
    <Choice
      w={220}
      aria-label="Another number"
      placeholder="Another number…"
      data={left.map((trait) => ({ value: trait, label: traitFacts(trait).words }))}
      value={null}
      onTake={(taken) => {
        const trait = left.find((one) => one === taken);
        if (!trait) return;
        const start = stockNamed(material.stock)?.traits[trait] ?? traitFacts(trait).default;
        const value = numberIn(start) ?? 0;
        edits.edit(`Give ${material.name} ${traitFacts(trait).words}`, (one) =>
          withPart(one, 'materials', material.name, (part) => ({
            ...part,
            traits: { ...part.traits, [trait]: value },
          })),
        );
      }}
    />
  );
}

function OwnNumbers({ material, edits }: MaterialProps) {
  const { grades } = useMod().header.tools;
  const put = (label: string, change: (part: Material) => Material) =>
    edits.edit(label, (one) => withPart(one, 'materials', material.name, change));
  return (
    <>
      <Field
        label="Grade"
        value={
          <Choice
            w={220}
            aria-label="Grade of its tools"
            data={grades.map(({ name }, grade) => ({
              value: String(grade),
              label: `${grade} · ${name}`,
            }))}
            value={material.grade === undefined ? null : String(material.grade)}
            placeholder="The lowest"
            onTake={(grade) =>
              put(`Change the grade of ${material.name}`, (part) => ({
                ...part,
                grade: Number(grade),
              }))
            }
          />
        }
        note="The step of the tool ladder of tools made of it."
      />
      <Field
        label="Reward"
        value={
          <NumberField
            label="Reward for melting it"
            value={material.reward ?? 0}
            least={0}
            onNumber={(reward) =>
              put(`Change the reward of ${material.name}`, (part) => ({ ...part, reward }))
            }
          />
        }
        note="The experience that a player gains by melting it."
      />
    </>
  );
}
