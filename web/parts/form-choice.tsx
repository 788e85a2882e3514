import { useEffect, useId, useRef } from 'react';
import { drawForm } from '../../core/draw/index.ts';
import { formNamed, forms, type Form } from '../../core/forms/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { useModPart } from '../api/hooks.tsx';
import { Later } from './later.tsx';
import styles from './form-choice.module.css';

interface ChoiceProps {
  /** None where it has no form that is known. */
  form: string | undefined;
  stock: string;
  onForm: (form: string) => void;
}

/** The forms that a block can have, each drawn in the material that is chosen. */
export function FormChoice({ form, stock, onForm }: ChoiceProps) {
  const group = useId();
  return (
    <fieldset className={styles['choice']}>
      <legend>Shape</legend>
      <div className={styles['forms']}>
        {forms.map((one, index) => (
          <label key={one.name} className={styles['form']} title={one.note}>
            <input
              type="radio"
              name={group}
              checked={one.name === form}
              onChange={() => onForm(one.name)}
            />
            <span className={styles['drawing']}>
              <Later frames={1 + index}>
                <Drawing form={one} stock={stock} />
              </Later>
            </span>
            {one.title}
          </label>
        ))}
      </div>
      <p className="note">{formNamed(form ?? '')?.note}</p>
    </fieldset>
  );
}

/** In CSS pixels. */
const size = 64;
const drawn = new Map<string, Pixels>();

/** A form is drawn once for each material: the dialog is opened often. */
function drawingOf(form: Form, stock: string, texels: number, pixels: number): Pixels {
  const key = `${form.name} ${stock} ${texels} ${pixels}`;
  const before = drawn.get(key) ?? drawForm(form, stock, texels, pixels);
  drawn.set(key, before);
  return before;
}

function Drawing({ form, stock }: { form: Form; stock: string }) {
  const texels = useModPart(({ header }) => header.texels);
  const pixels = Math.round(size * Math.min(2, Math.max(1, window.devicePixelRatio)));
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const { data } = drawingOf(form, stock, texels, pixels);
    context.putImageData(new ImageData(new Uint8ClampedArray(data), pixels, pixels), 0, 0);
  }, [form, stock, texels, pixels]);
  return <canvas ref={canvas} width={pixels} height={pixels} aria-hidden />;
}
