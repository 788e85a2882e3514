import type * as THREE from 'three';

/** How far a frame has gone over into the next one, as the shader hears of it. */
export interface Over {
  /** From the frame to the next one, along the picture's height. */
  way: { value: number };
  /** From 0 to 1. */
  share: { value: number };
}

/** As `shownAt` in core: in bytes as stored, each colour as far as it is solid. */
const twoFrames = `
#ifdef USE_MAP
  vec4 here = sRGBTransferOETF( texture2D( map, vMapUv ) );
  vec4 there = sRGBTransferOETF( texture2D( map, vMapUv + vec2( 0.0, overWay ) ) );
  float solid = mix( here.a, there.a, overShare );
  vec3 light = mix( here.rgb * here.a, there.rgb * there.a, overShare ) / max( solid, 0.0001 );
  diffuseColor *= sRGBTransferEOTF( vec4( light, solid ) );
#endif
`;

/** Makes a material draw a frame that goes over into another one of the same picture. */
export const goingOver =
  ({ way, share }: Over) =>
  (shader: THREE.WebGLProgramParametersWithUniforms): void => {
    Object.assign(shader.uniforms, { overWay: way, overShare: share });
    shader.fragmentShader = `uniform float overWay;\nuniform float overShare;\n${shader.fragmentShader.replace(
      '#include <map_fragment>',
      twoFrames,
    )}`;
  };
