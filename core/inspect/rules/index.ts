import type { Rule } from '../rule.ts';
import { nearSameName } from './identity/near-same-name.ts';
import { noGroup } from './identity/no-group.ts';
import { noItemForm } from './identity/no-item-form.ts';
import { reservedName } from './identity/reserved-name.ts';
import { itemNoGroup } from './identity/item-no-group.ts';
import { itemOffLadder } from './identity/item-off-ladder.ts';
import { itemWithoutPicture } from './identity/item-without-picture.ts';
import { thingUnknown } from './identity/thing-unknown.ts';
import { unknownStock } from './identity/unknown-stock.ts';
import { dragButSolid } from './traits/drag-but-solid.ts';
import { fillsButDoesNotHide } from './traits/fills-but-does-not-hide.ts';
import { gatedWithoutTool } from './traits/gated-without-tool.ts';
import { gradeOutOfReach } from './traits/grade-out-of-reach.ts';
import { hidesButSeeThrough } from './traits/hides-but-see-through.ts';
import { lightOutOfRange } from './traits/light-out-of-range.ts';
import { litButSameLight } from './traits/lit-but-same-light.ts';
import { missingInToolTag } from './traits/missing-in-tool-tag.ts';
import { numberOutOfRange } from './traits/number-out-of-range.ts';
import { blastAndDiggingDisagree } from './traits/blast-and-digging-disagree.ts';
import { hardnessFarFromStock } from './traits/hardness-far-from-stock.ts';
import { soundClipped } from './traits/sound-clipped.ts';
import { soundMissing } from './traits/sound-missing.ts';
import { soundSetMissing } from './traits/sound-set-missing.ts';
import { soundUnreadable as soundFileUnreadable } from './traits/sound-unreadable.ts';
import { codesCollide } from './states/codes-collide.ts';
import { codesTooWide } from './states/codes-too-wide.ts';
import { defaultOutside } from './states/default-outside.ts';
import { neverSet } from './states/never-set.ts';
import { placingUnfit } from './states/placing-unfit.ts';
import { propertyWithoutEffect } from './states/property-without-effect.ts';
import { tooFewValues } from './states/too-few-values.ts';
import { tooManyStates } from './states/too-many-states.ts';
import { turningDoesNotReturn } from './states/turning-flaw.ts';
import { valueTwice } from './states/value-twice.ts';
import { badShares } from './looks/bad-shares.ts';
import { deadRow } from './looks/dead-row.ts';
import { headingWithoutEffect } from './looks/heading-without-effect.ts';
import { headingsAlike } from './looks/headings-alike.ts';
import { modelMissing } from './looks/model-missing.ts';
import { noOrientation } from './looks/no-orientation.ts';
import { nothingDrawn } from './looks/nothing-drawn.ts';
import { stateWithoutRow } from './looks/state-without-row.ts';
import { unknownCondition } from './looks/unknown-condition.ts';
import { boxOutside } from './models/box-outside.ts';
import { boxWithoutSize } from './models/box-without-size.ts';
import { cropOutside } from './models/crop-outside.ts';
import { slotOpen } from './models/slot-open.ts';
import { slotUnused } from './models/slot-unused.ts';
import { templateCircle } from './models/template-circle.ts';
import { templateMissing } from './models/template-missing.ts';
import { tooManyBoxes } from './models/too-many-boxes.ts';
import { alphaUnderMode, nothingTransparent } from './textures/alpha-under-mode.ts';
import { textureMissing } from './textures/missing.ts';
import { notSquare } from './textures/not-square.ts';
import { oddSize } from './textures/odd-size.ts';
import { samePictureTwice } from './textures/same-picture-twice.ts';
import { stripUneven } from './textures/strip-uneven.ts';
import { textureTooLarge } from './textures/too-large.ts';
import { textureUnreadable } from './textures/unreadable.ts';
import { textureUnused } from './textures/unused.ts';
import { countUpsideDown } from './loot/count-upside-down.ts';
import { dropsNothingUnsaid } from './loot/drops-nothing-unsaid.ts';
import { givesUnknown } from './loot/gives-unknown.ts';
import { lotNeverDrawn } from './loot/lot-never-drawn.ts';
import { emptyTag } from './tags/empty.ts';
import { memberMissing } from './tags/member-missing.ts';
import { memberTwice } from './tags/member-twice.ts';
import { unknownOwnTag } from './tags/unknown-own-tag.ts';
import { patternKeys } from './recipes/pattern-keys.ts';
import { unknownThing } from './recipes/unknown-thing.ts';
import { nameMissing } from './names/missing.ts';
import { sameNameTwice } from './names/same-twice.ts';
import { registeredButGone } from './registry/gone.ts';
import { notRegistered } from './registry/not-registered.ts';
import { numberTwice } from './registry/number-twice.ts';
import { doesNotFit } from './files/does-not-fit.ts';
import { keyTwice } from './files/key-twice.ts';
import { malformedJson } from './files/malformed-json.ts';
import { fileMissing } from './files/missing.ts';
import { unknownFile } from './files/unknown-file.ts';
import { unsafePathInPack } from './files/unsafe-path.ts';
import { digestDiffers } from './pack/digest-differs.ts';
import { idAndNameDisagree } from './pack/id-and-name-disagree.ts';
import { referenceMissing } from './pack/reference-missing.ts';
import { registryDisagrees } from './pack/registry-disagrees.ts';
import { soundUnreadable } from './pack/sound-unreadable.ts';
import { packStateWithoutLook } from './pack/state-without-look.ts';
import { textMissing } from './pack/text-missing.ts';
import { wrongEdition } from './pack/wrong-edition.ts';
import { chanceOutside } from './loot/chance-outside.ts';
import { conditionNeverHolds } from './loot/condition-never-holds.ts';
import { givesAnother } from './loot/gives-another.ts';
import { stateLost } from './loot/state-lost.ts';
import { tableCircle } from './loot/table-circle.ts';
import { tableFlawed } from './loot/table-flawed.ts';
import { tableUnused } from './loot/table-unused.ts';
import { tooManyByChance } from './loot/too-many-cases.ts';
import { tagCircle } from './tags/circle.ts';
import { neededTagEmpty } from './tags/needed-empty.ts';
import { otherModUndeclared } from './tags/other-mod.ts';
import { wrongKind } from './tags/wrong-kind.ts';
import { recipeClash } from './recipes/clash.ts';
import { recipeEmpty } from './recipes/empty.ts';
import { gainCircle } from './recipes/gain-circle.ts';
import { recipeTooLarge } from './recipes/too-large.ts';
import { unobtainable } from './recipes/unobtainable.ts';
import { keyUnused } from './names/key-unused.ts';
import { languageMalformed } from './names/language-malformed.ts';
import { placeholdersDiffer } from './names/placeholders-differ.ts';
import { retiredWithoutSuccessor } from './registry/no-successor.ts';
import { numberChanged } from './registry/number-changed.ts';
import { outOfOrder } from './registry/out-of-order.ts';

/** Every rule, facet by facet. To add one: write its file in the folder of its facet and name it here. */
export const rules: readonly Rule[] = [
  nearSameName,
  noGroup,
  noItemForm,
  reservedName,
  unknownStock,
  itemNoGroup,
  itemOffLadder,
  itemWithoutPicture,
  thingUnknown,
  dragButSolid,
  fillsButDoesNotHide,
  gatedWithoutTool,
  gradeOutOfReach,
  hidesButSeeThrough,
  lightOutOfRange,
  litButSameLight,
  missingInToolTag,
  numberOutOfRange,
  soundSetMissing,
  soundMissing,
  soundFileUnreadable,
  soundClipped,
  blastAndDiggingDisagree,
  hardnessFarFromStock,
  codesCollide,
  codesTooWide,
  defaultOutside,
  neverSet,
  placingUnfit,
  propertyWithoutEffect,
  tooFewValues,
  tooManyStates,
  turningDoesNotReturn,
  valueTwice,
  badShares,
  deadRow,
  headingWithoutEffect,
  headingsAlike,
  modelMissing,
  noOrientation,
  nothingDrawn,
  stateWithoutRow,
  unknownCondition,
  boxOutside,
  boxWithoutSize,
  cropOutside,
  slotOpen,
  slotUnused,
  templateCircle,
  templateMissing,
  tooManyBoxes,
  alphaUnderMode,
  nothingTransparent,
  textureMissing,
  notSquare,
  oddSize,
  samePictureTwice,
  stripUneven,
  textureTooLarge,
  textureUnreadable,
  textureUnused,
  countUpsideDown,
  dropsNothingUnsaid,
  givesUnknown,
  lotNeverDrawn,
  chanceOutside,
  conditionNeverHolds,
  givesAnother,
  stateLost,
  tableCircle,
  tableFlawed,
  tableUnused,
  tooManyByChance,
  emptyTag,
  memberMissing,
  memberTwice,
  unknownOwnTag,
  tagCircle,
  neededTagEmpty,
  otherModUndeclared,
  wrongKind,
  patternKeys,
  unknownThing,
  recipeClash,
  recipeEmpty,
  gainCircle,
  recipeTooLarge,
  unobtainable,
  nameMissing,
  sameNameTwice,
  keyUnused,
  languageMalformed,
  placeholdersDiffer,
  registeredButGone,
  notRegistered,
  numberTwice,
  retiredWithoutSuccessor,
  numberChanged,
  outOfOrder,
  doesNotFit,
  keyTwice,
  malformedJson,
  fileMissing,
  unknownFile,
  unsafePathInPack,
  digestDiffers,
  idAndNameDisagree,
  referenceMissing,
  registryDisagrees,
  soundUnreadable,
  packStateWithoutLook,
  textMissing,
  wrongEdition,
];
