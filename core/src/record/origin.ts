import { flag, id, maybe, text } from '../quantities/index.ts';

export const stepShape = text(120);
/** Which lot of the shelf something was taken from, and which step of the brew day it did. */
export const originFields = { lotId: maybe(id), step: maybe(stepShape) } as const;

/** Pasteurized by itself before it went in: it brings sugar, and no life. */
export const heatedField = maybe(flag);

export const asItIs = ({ lotId, massG }: { lotId?: string | undefined; massG: number }): { lotId?: string | undefined; massG: number } => ({
  lotId,
  massG,
});
