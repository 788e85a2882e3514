import { Button, FileButton, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useState, type DragEvent } from 'react';
import { useNewPicture } from '../../parts/use-new-picture.ts';
import { usePasted } from '../../parts/use-pasted.ts';
import { ArrivingPictures } from './arriving-pictures.tsx';
import { useArriving } from './arriving.ts';
import { useImport } from './import.ts';
import { isPictureFile, pictureKinds } from '../../api/picture-files.ts';
import { ModelShelf } from './models.tsx';
import { SoundShelf } from './sounds.tsx';
import { TextureShelf } from './textures.tsx';
import styles from './library.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';

/**
 * Every texture and every sound of the mod: what it is, who uses it, what is wrong with it. Files
 * are imported by dropping them here.
 */
export function Library() {
  const [filter, setFilter] = useState('');
  const [isOver, setOver] = useState(false);
  const { take: takeSounds, problems: soundProblems } = useImport();
  const arriving = useArriving();
  const newPicture = useNewPicture();
  const take = async (files: readonly File[]) => {
    const pictures = files.filter(isPictureFile);
    if (pictures.length) await arriving.begin(pictures);
    await takeSounds(files.filter((file) => !isPictureFile(file)));
  };
  usePasted((file) => void take([file]));
  const problems = [...(arriving.arrivals.length ? [] : arriving.problems), ...soundProblems];
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take([...event.dataTransfer.files]);
  };
  return (
    <div
      className={clsx('page', isOver && styles['over'])}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <div className={pageHeadStyles['blocks-head']}>
        <h1>Library</h1>
        <TextInput
          placeholder="Filter"
          aria-label="Filter textures and sounds"
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
          w={220}
        />
        <Button variant="default" onClick={newPicture}>
          Make a picture
        </Button>
        <FileButton
          multiple
          accept={`${pictureKinds},.wav,.ogg`}
          onChange={(files) => void take(files)}
        >
          {(props) => <Button {...props}>Import files</Button>}
        </FileButton>
      </div>
      <p className="note">
        Drop pictures (PNG, GIF, WebP, moving ones too) and sounds (WAV, Ogg) anywhere on this page,
        or paste a picture. What becomes of pictures is shown before it is done.
      </p>
      <ArrivingPictures arriving={arriving} />
      {problems.length > 0 && (
        <ul className="bad" role="alert">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      <TextureShelf filter={filter} />
      <ModelShelf filter={filter} />
      <SoundShelf filter={filter} />
    </div>
  );
}
