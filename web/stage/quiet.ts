import * as THREE from 'three';

/**
 * Lets three.js say everything but one sentence: that its clock has a successor. It is the library
 * between it and us that still makes one, and nobody who reads the console can change that.
 */
export function quietAboutClock(): void {
  THREE.setConsoleFunction((type, message, ...more) => {
    if (message.includes('Clock: This module has been deprecated')) return;
    // eslint-disable-next-line no-console -- what it says goes where it meant it
    console[type](message, ...more);
  });
}
