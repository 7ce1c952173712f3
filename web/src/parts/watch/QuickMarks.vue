<script setup lang="ts">
import type { Mark } from '@hollow-bell/core/record';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();

/** What eye, ear and nose say; one touch writes it down. */
const MARKS: readonly (readonly [sense: string, marks: readonly (readonly [Mark, string])[]])[] = [
  [
    'Airlock',
    [
      ['bubbling', 'Bubbling'],
      ['quiet', 'No bubbles'],
      ['foam', 'Foaming'],
    ],
  ],
  [
    'Smell',
    [
      ['sulfur', 'Smells of sulfur'],
      ['solvent', 'Smells of solvent'],
      ['vinegar', 'Smells of vinegar'],
    ],
  ],
  [
    'Look',
    [
      ['clear', 'Clear'],
      ['hazy', 'Hazy'],
      ['film', 'A film on it'],
    ],
  ],
  [
    'Taste',
    [
      ['tasting', 'Tastes sweet'],
      ['tasting', 'Tastes dry'],
      ['tasting', 'Tastes sour'],
      ['tasting', 'Tastes of burnt rubber'],
    ],
  ],
  [
    'Done',
    [
      ['degassed', 'Degassed'],
      ['stirred', 'Stirred'],
    ],
  ],
];
/** The last thing that this sense said. */
const latest = (marks: readonly (readonly [Mark, string])[]): string => {
  for (const { standing, withdrawn } of store.log) {
    if (withdrawn || standing.kind !== 'note') continue;
    const { mark, text } = standing.payload;
    if (marks.some(([each]) => each === mark)) return `${text.toLowerCase()}, ${show('when', standing.happenedAt)}`;
  }
  return '';
};
const write = (mark: Mark, text: string): Promise<boolean> => attempt(() => store.write([{ kind: 'note', payload: { text, mark } }], text));
</script>

<template>
  <section class="senses no-print" aria-label="What you see, hear and smell">
    <div v-for="[sense, marks] in MARKS" :key="sense" class="sense">
      <span class="small quiet">{{ sense }}</span>
      <button v-for="[mark, text] in marks" :key="text" type="button" class="mark" :disabled="busy" @click="write(mark, text)">
        {{ text }}
      </button>
      <span class="small quiet">{{ latest(marks) }}</span>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.senses {
  display: grid;
  gap: 4px;
}

.sense {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}

.sense > :first-child {
  width: 60px;
}

.sense > :last-child:not(:empty) {
  flex: 1 1 180px;
}

.mark {
  min-height: 32px;
  padding: 2px 12px;
  border: 1px solid var(--rule);
  border-radius: 16px;
  background: none;
  color: inherit;
  font-size: 15px;
  cursor: pointer;
}

.mark:hover {
  border-color: var(--bronze);
}

@media (max-width: 720px) {
  .mark {
    min-height: 44px;
    border-radius: 22px;
  }
}
</style>
