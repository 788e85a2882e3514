import { Button, FileButton } from '@mantine/core';
import { useState } from 'react';
import { blobAddress } from '../../../api/address.ts';
import { useSession } from '../../../api/hooks.tsx';
import { pictureKinds, readPicture } from '../../../api/picture-files.ts';
import { uploadPicture } from '../../../api/textures.ts';
import { Field } from '../../../parts/field.tsx';
import type { LineProps } from './settings.tsx';
import styles from './settings.module.css';

/** The sides in which the picture is shown: the page of the mod, the list of mods, small marks. */
const shownSides = [56, 40, 20];

/** The picture of the mod, at the sizes at which it is shown. */
export function PictureLine({ header: { picture, tickRate, title } }: LineProps) {
  const session = useSession();
  const [problem, setProblem] = useState<string>();
  const put = (after: typeof picture) =>
    session.set(
      after ? 'Give the mod a picture' : 'Take the picture of the mod away',
      ['header', 'picture'],
      after,
    );
  const take = async (file: File | null) => {
    if (!file) return;
    setProblem(undefined);
    try {
      const { png, pixels } = await readPicture(file, tickRate);
      const { width, height } = pixels;
      if (width === height) put(await uploadPicture(png));
      else setProblem(`It is ${width} × ${height} pixels. The picture of a mod is square.`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Field
      label="Picture"
      value={
        <span className={styles['acts']}>
          {picture &&
            shownSides.map((side) => (
              <img
                key={side}
                src={blobAddress(picture.sha256)}
                width={side}
                height={side}
                alt={`${title}, ${side} pixels wide`}
                className={picture.width < side ? 'crisp' : undefined}
              />
            ))}
          <FileButton accept={pictureKinds} onChange={(file) => void take(file)}>
            {(props) => (
              <Button {...props} variant="default">
                {picture ? 'Replace' : 'Choose a picture'}
              </Button>
            )}
          </FileButton>
          {picture && (
            <button
              type="button"
              className="tiny"
              aria-label="Take the picture away"
              onClick={() => put(undefined)}
            >
              ×
            </button>
          )}
        </span>
      }
      note={
        problem === undefined ? (
          picture ? (
            'As it is shown here, in the list of mods, and in small.'
          ) : (
            'A square PNG that players see in lists. Until then its first block stands for it.'
          )
        ) : (
          <span role="alert" className={styles['wrong']}>
            {problem}
          </span>
        )
      }
    />
  );
}
