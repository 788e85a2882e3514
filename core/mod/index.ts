/** The declaration: schemas, stock, edits, resolving. */
export * from './names.ts';
export { placingHow, ValueSchema, WhenSchema, type Placing } from './states.schema.ts';
export { alphaModes, hidesNeighbours, tints, toolKinds, TraitsSchema, type ToolKind, type TraitName, type Traits } from './traits.schema.ts';
export { BlockSchema, type Block, type Candidate, type Draw, type Looks, type Loot, type Lot, type Shape } from './block.schema.ts';
export { HeaderSchema, soundEvents, type Box, type Header, type Ledger, type Model, type Picture, type Sound, type SoundSet, type Texture } from './entries.schema.ts';
export { emptyMod, entryKinds, entrySchemas, ModSchema, namePatternOf, type EntryKind, type Mod } from './mod.schema.ts';
export { applyChange, applyChanges, EditConflict, entryOf, firstClash, invertChanges, pathsMeet, sameData, squashChanges, type Change, type Edit } from './edit.ts';
export { defaultTraits, stockNamed, stocks, stockSoundSets, type Stock } from './stock.ts';
export { resolveBlock, resolveBlocks, titleOf, type ResolvedBlock } from './resolve.ts';
export { schemaProblems, type SchemaProblem } from './issues.ts';
export { codesOf, heldCodes, nextNumber, retire } from './ledger.ts';
export { changeProperty, orderProperties, usesOf, type PropertyUse } from './properties.ts';
export { changeLadder, gradeUses, type LadderAct } from './ladder.ts';
export { namingsOf, renamed, renameEntry, renamingProblem, type Naming, type RenamedKind } from './rename.ts';
export { splitBlock } from './split.ts';
export { newBlock, removeBlock, type BlockStart } from './new-block.ts';
export { spreadRows, turnedCandidate, withOrientation } from './turned.ts';
