declare module 'gltf-validator' {
  /** Checks a file and tells how many problems of each weight it has. */
  export function validateBytes(bytes: Uint8Array): Promise<{
    issues: { numErrors: number; numWarnings: number; messages: unknown[] };
  }>;
}
