/* Words and numbers as a maker reads them: every sentence, figure and table goes out through here. */
export { fieldText, shown, shownDate, shownFigure, shownMoney, shownNumber, shownParts, shownRange, shownSentence } from './formats.ts';
export type { QuantityKind, Reader } from './formats.ts';
