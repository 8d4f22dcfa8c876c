export { type Lever, leverCombinations, type LeverRequest, leversOf, slackOf } from './levers';
