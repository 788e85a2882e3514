import { complain } from '../../parts/complain.ts';
import { useSession } from '../../api/hooks.tsx';
import { uploadTexture } from '../../api/textures.ts';

/** Puts a file in the place of a texture's picture: chosen, dropped or pasted. */
export function useReplacing(name: string): (file: File | null | undefined) => void {
  const session = useSession();
  return (file) => {
    if (!file) return;
    uploadTexture(session, name, file).catch(complain);
  };
}
