/** The whole mod as a table of traits: columns, changes to many blocks at once, CSV out and in. */
export { cellText, columns, sortKey, traitOf, type Column } from './columns.ts';
export { cellInWords, readCell, spokenCell, wordsOf } from './read-cell.ts';
export { bulkChange, type BulkAct, type BulkPlan } from './bulk.ts';
export {
  shownSubjects,
  stockSubjects,
  subjectsNamed,
  subjectsOf,
  type Subject,
  type SubjectOrder,
} from './subjects.ts';
export { readCsv, writeCsv, type CsvPlan } from './csv.ts';
