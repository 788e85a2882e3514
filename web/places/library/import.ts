import { useState } from 'react';
import { lookUp } from '../../../core/mod/index.ts';
import { messageOf } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import type { Session } from '../../api/session.ts';
import { soundNameOf, uploadSound } from '../../api/sounds.ts';

/** Takes sounds in, and says of each file that could not be taken why. */
export function useImport(): {
  take: (files: readonly File[]) => Promise<void>;
  problems: readonly string[];
} {
  const session = useSession();
  const [problems, setProblems] = useState<string[]>([]);
  const take = async (files: readonly File[]) => {
    const wrong: string[] = [];
    for (const file of files) {
      const problem = await takeOne(session, file);
      if (problem !== undefined) wrong.push(`${file.name}: ${problem}`);
    }
    setProblems(wrong);
  };
  return { take, problems };
}

/** Takes one file in. Gives why not. */
async function takeOne(session: Session, file: File): Promise<string | undefined> {
  const { sounds } = session.view.mod;
  if (!isSound(file)) return 'it is no picture (PNG, GIF, WebP) and no sound (WAV, Ogg).';
  const sound = soundNameOf(file.name);
  if (lookUp(sounds, sound))
    return `there is a sound ${sound} already. Rename the file, or remove that sound first.`;
  try {
    await uploadSound(session, sound, file);
    return undefined;
  } catch (error) {
    return messageOf(error);
  }
}

const isSound = ({ name }: File): boolean => /\.(wav|ogg)$/i.test(name);
