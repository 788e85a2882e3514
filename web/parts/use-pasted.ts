import { useEffect } from 'react';
import { isPictureFile } from '../api/picture-files.ts';
import { useStable } from './use-stable.ts';

/** Hears of a picture that is pasted anywhere on the page, but into a field. */
export function usePasted(onPicture: (file: File) => void): void {
  const take = useStable(onPicture);
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea')) return;
      const file = [...(event.clipboardData?.files ?? [])].find(isPictureFile);
      if (!file) return;
      event.preventDefault();
      take(file);
    };
    document.addEventListener('paste', paste);
    return () => document.removeEventListener('paste', paste);
  }, [take]);
}
