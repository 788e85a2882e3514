import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { pointer } from '../../core/json/index.ts';
import { freeName } from '../../core/lists/index.ts';
import { encodePicture } from '../../core/textures/index.ts';
import { makePicture, usualRecipe } from '../../core/textures/making/index.ts';
import { texturePath } from '../api/address.ts';
import { useSession } from '../api/hooks.tsx';
import { uploadPicture } from '../api/textures.ts';
import { complain } from './complain.ts';

/** What a new picture is called until somebody names it. */
const firstName = 'new_picture';

/** Makes a new picture to begin with, and lays it on the desk where it is made otherwise. */
export function useNewPicture(): () => void {
  const session = useSession();
  const navigate = useNavigate();
  const begin = useCallback(async () => {
    const { header } = session.view.mod;
    const made = usualRecipe('stone', header.texels, 1);
    const picture = await uploadPicture(encodePicture(makePicture(made)));
    const name = freeName(firstName, Object.keys(session.view.mod.textures));
    session.edit(`Make the texture ${name}`, [
      { path: pointer(['textures', name]), after: { picture, made } },
    ]);
    void navigate(`/m/${session.name}/${texturePath(name, 'make')}`);
  }, [session, navigate]);
  return useCallback(() => void begin().catch(complain), [begin]);
}
