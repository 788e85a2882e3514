/** The largest JSON body that is taken: an edit of a whole large mod fits. */
export const mostBodyBytes = 16 * 1024 * 1024;
/** The largest picture that is taken. */
export const mostPictureBytes = 8 * 1024 * 1024;
/** The largest sound that is taken. */
export const mostSoundBytes = 8 * 1024 * 1024;
