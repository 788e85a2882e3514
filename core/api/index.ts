/** What goes over the wire between the page and the server, as schemas that both use. */
export * from './answers.ts';
export {
  addressOf,
  endpoints,
  maxFolderBytes,
  type AnswerOf,
  type BodyOf,
  type Endpoint,
  type PathParams,
  type QueryOf,
  type ResultOf,
} from './endpoints.ts';
export { modEvents, type ModEvent, type ModEventName } from './events.ts';
export { problemStatuses, ProblemAnswer, type ProblemStatus } from './problem.ts';
export { OpenBody, Programs } from './requests.ts';
export { BuildBody, CompareBody, EditBody, NewModBody, PlanBody } from './requests.ts';
