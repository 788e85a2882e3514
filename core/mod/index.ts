/** The declaration: schemas, stock, edits, resolving. */
export * from './names.ts';
export { diffDocuments } from './diff.ts';
export { licenceSaid, type LicenceSaid } from './licence.ts';
export { isVersionRange, nextVersion, versionParts, type VersionPart } from './version.ts';
export { lookUp, sameData } from '../json/index.ts';
export { placingHow, ValueSchema, WhenSchema, type Placing } from './states.schema.ts';
export {
  alphaModes,
  byStateTraits,
  defaultTraits,
  hidesNeighbours,
  isTraitRows,
  packedTraits,
  tints,
  toolKinds,
  traitFacts,
  traitNames,
  traitParts,
  TraitsSchema,
  type ByStateTrait,
  type NumberTrait,
  type ResolvedTraits,
  type ToolKind,
  type TraitName,
  type TraitPart,
  type Traits,
} from './traits.ts';
export {
  heldPlaces,
  mostProperties,
  type Held,
  type HeldPlace,
  type Pose,
  BlockSchema,
  type Block,
  type Candidate,
  type Looks,
  type Shape,
} from './block.schema.ts';
export { type Count, type Draw, type Loot, type Lot, type LotWhen } from './loot.schema.ts';
export {
  countedTraits,
  mostForms,
  mostMaterials,
  type Cell,
  type CellTemplate,
  type Differences,
  type Family,
  type FamilyForm,
  type FamilyPicture,
  type Material,
} from './family.schema.ts';
export { mostReach, usualFluid, usualPool, type Fluid, type Pool } from './flow.schema.ts';
export { conditionsIn, conditionsOf, propertiesAsked } from './conditions.ts';
export { idsIn, ingredientsOf, resultsOf } from './recipe-parts.ts';
export {
  mostActions,
  mostReactions,
  reactionEvents,
  type Action,
  type Reaction,
  type ReactionEvent,
  type ReactionIf,
} from './reaction.schema.ts';
export { thingNamed } from './rename.ts';
export {
  fileSyntaxes,
  kitBounds,
  kitFile,
  kitFilePattern,
  kitModelEdition,
  kitNamePattern,
  kitPathPattern,
  kitSubjects,
  KitFileSchema,
  letterCases,
  OwnKitSchema,
  type FileSyntax,
  type KitFileRule,
  type KitSubject,
  type LetterCase,
  type OwnKit,
} from './kit.schema.ts';
export { recipeKinds, type Recipe, type Taught } from './recipe.schema.ts';
export {
  registered,
  type Kept,
  type Ledger,
  type Registered,
  type Release,
} from './ledger.schema.ts';
export {
  HeaderSchema,
  besidePictures,
  patternNames,
  soundEvents,
  usualStack,
  mostBoxes,
  mostKeptFiles,
  type Box,
  type BoxSide,
  type Header,
  type Item,
  type Model,
  type Made,
  type Picture,
  type Sound,
  type SoundSet,
  type Tag,
  type Strip,
  type Texture,
} from './entries.schema.ts';
export {
  emptyMod,
  entryKinds,
  entrySchemas,
  jsonFolders,
  ModSchema,
  namePatternOf,
  type EntryKind,
  type Mod,
} from './mod.schema.ts';
export {
  applyChange,
  applyChanges,
  EditConflict,
  entryOf,
  firstClash,
  invertChanges,
  pathsMeet,
  squashChanges,
  type Change,
  type Edit,
} from './edit.ts';
export {
  bringChangesForward,
  bringEntryForward,
  currentEdition,
  editionOf,
  migrations,
  type Migration,
} from './migrations/index.ts';
export {
  areStatesKnown,
  asBlock,
  idOfShown,
  isNewLook,
  isOverStock,
  newLookName,
  shownNamed,
  statesUnder,
  stepsToShown,
} from './new-look.ts';
export type { NewLook } from './new-look.schema.ts';
export { stockNamed, stocks, stockSoundSets, type Stock } from './stock.ts';
export {
  carried,
  itselfAsDraws,
  resolveBlock,
  resolveBlocks,
  titleOf,
  type ResolvedBlock,
} from './resolve.ts';
export { everythingRegistered, standIns } from './stand-ins.ts';
export { restingOn } from './resting-on.ts';
export { schemaProblems, type SchemaProblem } from './issues.ts';
export { codesOf, heldCodes, nextNumber, retire, retiredNamed } from './ledger.ts';
export {
  changeProperty,
  orderProperties,
  propertyUses,
  usesByOthers,
  usesInWords,
  type PropertyUse,
} from './properties.ts';
export { changeLadder, gradeUsers, gradeUses, type LadderAct } from './ladder.ts';
export { renameEntry, renamingProblem } from './rename.ts';
export {
  namingsOf,
  referencesIn,
  renamed,
  type Naming,
  type Reference,
  type RenamedKind,
} from './references.ts';
export { blobsNamedIn } from './blobs.ts';
export { inOrder } from './in-order.ts';
export { splitBlock } from './split.ts';
export { removeBlock } from './remove-block.ts';
export { spreadRows, turnedCandidate, withOrientation } from './turned.ts';
export { taggedEntry, taggedIn, type Taggable, type Tagged, type TagKind } from './tagged.ts';
export { catalogueOf, type CatalogueEntry } from './catalogue.ts';
export { newRecipe } from './new-recipe.ts';
export {
  newGroup,
  newBucketOf,
  newFluid,
  newItem,
  otherNamespaces,
  removeGroup,
  removeFluid,
  removeItem,
  tagIdsIn,
  usesOfItem,
} from './new-entries.ts';
