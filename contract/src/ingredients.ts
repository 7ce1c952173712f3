import { STAGES, TRAITS, compositionShape, familyShape, styleMarkShape } from '@hollow-bell/core/ingredients';
import { nameShape } from '@hollow-bell/core/quantities';
import { ownYeastShape, yeastIdShape } from '@hollow-bell/core/yeast';
import { z } from 'zod';
import { zodOf } from './zodOf.ts';

export const nameSchema = zodOf(nameShape);
export const familySchema = zodOf(familyShape);
export const styleMarkSchema = zodOf(styleMarkShape);
export const compositionSchema = zodOf(compositionShape);
export const yeastIdSchema = zodOf(yeastIdShape);
export const ownYeastSchema = zodOf(ownYeastShape);
export const traitsSchema = z.array(z.enum(TRAITS)).max(TRAITS.length).readonly();
export const stageSchema = z.enum(STAGES);
