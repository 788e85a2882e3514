import {
  formTitle,
  rolesOfForm,
  partNameProblem,
  pictureOf,
  shippedForm,
  titledBy,
  titlesOfCell,
  withoutPart,
  withPart,
  withPartRenamed,
} from '../../../../core/families/index.ts';
import { calledBy } from '../../../../core/families/names.ts';
import {
  lookUp,
  stocks,
  traitFacts,
  type Family,
  type FamilyForm,
} from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { AskFirst } from '../../../parts/ask-first.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { languageName } from '../../../parts/language-name.ts';
import { consequenceInWords, type FamilyEdits } from '../use-family.ts';
import { DifferenceList } from './differences.tsx';
import styles from './stations.module.css';

interface FormProps {
  family: Family;
  form: FamilyForm;
  edits: FamilyEdits;
  choose: (part: { form?: string }) => void;
}

/** What is made of every material in one form: how it is called, what it shows, what it starts from. */
export function FormStation(props: FormProps) {
  const { family, form, edits, choose } = props;
  const put = (label: string, change: (part: FamilyForm) => FamilyForm) =>
    edits.edit(label, (one) => withPart(one, 'forms', form.name, change));
  const makesBlocks = form.own
    ? form.own.block !== undefined
    : shippedForm(form.kind)?.makes === 'block';
  return (
    <>
      <div className={styles['head']}>
        <h2>{form.own ? form.name.replaceAll('_', ' ') : formTitle(form)}</h2>
        <AskFirst
          act={`Remove ${form.name}`}
          says={() =>
            consequenceInWords(edits.consequence((one) => withoutPart(one, 'form', form.name)))
          }
          onAct={() => {
            edits.edit(`Remove ${form.name} from ${edits.name}`, (one) =>
              withoutPart(one, 'form', form.name),
            );
            choose({});
          }}
        />
      </div>
      <p className="note">
        {shippedForm(form.kind)?.note ?? 'A form of your own, made of a block that there was.'}
      </p>
      <Field
        label="Id"
        value={
          <CommitField
            w={220}
            aria-label="Id of the form"
            classNames={{ input: 'mono' }}
            text={form.name}
            check={(name) => partNameProblem(family, 'form', name, form.name)}
            onText={(to) => {
              const renamed = { of: 'form', from: form.name, to } as const;
              edits.edit(
                `Rename ${form.name} to ${to}`,
                (one) => withPartRenamed(one, renamed),
                renamed,
              );
              choose({ form: to });
            }}
          />
        }
      />
      <Called {...props} put={put} />
      <Titles {...props} put={put} />
      {makesBlocks && <Starts form={form} put={put} />}
      <Pictures {...props} put={put} />
      <h3 className="part">What you made of it</h3>
      <DifferenceList
        differences={form.changed ?? {}}
        nothing="It is as it ships. Edit one of its blocks on the bench, then choose “in every material” at the cell."
        onBack={(path) =>
          put(`Take back a change of ${form.name}`, ({ changed = {}, ...rest }) => {
            const { [path]: _, ...others } = changed;
            return Object.keys(others).length ? { ...rest, changed: others } : rest;
          })
        }
      />
    </>
  );
}

type Put = (label: string, change: (part: FamilyForm) => FamilyForm) => void;

/** Why a pattern of names will not do. */
const patternProblem = (pattern: string): string | undefined =>
  pattern.includes('{material}')
    ? undefined
    : 'It needs {material}, so that each has its own name.';

function Called({ family, form, put }: FormProps & { put: Put }) {
  const pattern = calledBy(form);
  const [first] = family.materials;
  const example = pattern.replaceAll('{material}', first?.name ?? '…');
  return (
    <Field
      label="Ids of its cells"
      value={
        <CommitField
          w={220}
          aria-label="Ids of its cells"
          classNames={{ input: 'mono' }}
          text={pattern}
          check={patternProblem}
          onText={(called) => put(`Call ${form.name} ${called}`, (part) => ({ ...part, called }))}
        />
      }
      note={
        <>
          As <span className="mono">{example}</span>. Numbers in saved worlds stay.
        </>
      }
    />
  );
}

function Titles({ family, form, put }: FormProps & { put: Put }) {
  const { languages } = useMod().header;
  const [first] = family.materials;
  const example = first ? titlesOfCell(first, form, languages) : {};
  return (
    <Field label="Names">
      {languages.map((language) => (
        <div key={language} className={styles['line']}>
          <span>{languageName(language)}</span>
          <TextField
            w={220}
            aria-label={`Pattern of names in ${language}`}
            text={titledBy(form, language) ?? ''}
            onText={(text) =>
              put(`Name ${form.name} in ${language}`, ({ names = {}, ...rest }) => ({
                ...rest,
                names: { ...names, [language]: text },
              }))
            }
          />
          <em className="soft">{lookUp(example, language)}</em>
        </div>
      ))}
    </Field>
  );
}

const factors = ['hardness', 'blastRating'] as const;

function Starts({ form, put }: { form: FamilyForm; put: Put }) {
  const usual = shippedForm(form.kind)?.stock;
  return (
    <>
      <Field
        label="Stock"
        value={
          <Choice
            w={220}
            aria-label="Stock of the form"
            data={[
              { value: '', label: usual ? `As it ships: ${usual}` : 'That of the material' },
              ...stocks.map(({ name, title }) => ({ value: name, label: title })),
            ]}
            value={form.stock ?? ''}
            onTake={(stock) =>
              put(`Start ${form.name} from ${stock || 'the material'}`, ({ stock: _, ...rest }) =>
                stock ? { ...rest, stock } : rest,
              )
            }
          />
        }
        note="The rock of a seam, whatever the metal in it."
      />
      {factors.map((trait) => (
        <Field
          key={trait}
          label={`Times the ${traitFacts(trait).words}`}
          value={
            <NumberField
              label={`Times the ${traitFacts(trait).words}`}
              value={form.times?.[trait] ?? 1}
              least={0}
              most={1000}
              onNumber={(factor) =>
                put(`Change ${traitFacts(trait).words} of ${form.name}`, (part) => {
                  const { [trait]: _, ...others } = part.times ?? {};
                  const times = factor === 1 ? others : { ...others, [trait]: factor };
                  const { times: __, ...rest } = part;
                  return Object.keys(times).length ? { ...rest, times } : rest;
                })
              }
            />
          }
        />
      ))}
    </>
  );
}

/** Which picture each of its sides shows: one called after the material, or one made in its tones. */
function Pictures({ family, form, put }: FormProps & { put: Put }) {
  return (
    <Field
      label="Pictures"
      note="Called after the material. With a picture to make it from, each material has that in its own tones."
    >
      {rolesOfForm(form).map((role) => {
        const picture = pictureOf(family, form, role);
        const texture = typeof picture === 'string' ? picture : picture.texture;
        const from = typeof picture === 'string' ? '' : picture.from;
        const putPicture = (next: string, origin: string) =>
          put(`Change the ${role} of ${form.name}`, ({ pictures = {}, ...rest }) => ({
            ...rest,
            pictures: {
              ...pictures,
              [role]: origin
                ? {
                    ...(typeof picture === 'string' ? {} : picture),
                    texture: next,
                    from: origin,
                  }
                : next,
            },
          }));
        return (
          <div key={role} className={styles['picture']}>
            <span>{role}</span>
            <CommitField
              aria-label={`Picture of the ${role}`}
              classNames={{ input: 'mono' }}
              text={texture}
              onText={(next) => putPicture(next, from)}
            />
            <CommitField
              aria-label={`The ${role} is made from`}
              classNames={{ input: 'mono' }}
              placeholder="made from no other"
              text={from}
              onText={(origin) => putPicture(texture, origin)}
            />
          </div>
        );
      })}
    </Field>
  );
}
