export type NutrientId = 'organic' | 'dap';
export type SulfiteSalt = 'potassium' | 'sodium';
export type RemovalReason = 'sample' | 'foam' | 'spill' | 'lees';
/** What a maker judges by eye or nose; each can be part of a gate or a rule. */
export type Mark = 'degassed' | 'clear' | 'hazy' | 'stirred' | 'sulfur' | 'tasting';
export type Bottles = { sizeMl: number; count: number }[];
