<script setup lang="ts">
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import type { Practice } from '@hollow-bell/contract';
import { USUALLY_PER_DAY } from '@hollow-bell/core/rounds';

const { show, number } = useReader();
const practice = defineModel<Practice>({ required: true });
const change = (over: Partial<Practice>): void => {
  practice.value = { ...practice.value, ...over };
};
const FRUIT = computed(() => [
  { id: 'sulfite' as const, name: 'Sulfite and wait', says: '50 mg/L in the must, a day before the yeast.' },
  { id: 'pasteurize' as const, name: 'Pasteurize the purée', says: `${show('tempC', 71)} all through, a minute, then cool.` },
  { id: 'none' as const, name: 'Neither', says: 'Clean fruit, a strong start, and luck.' },
]);
const PITCH = [
  { id: 'rehydrate', name: 'Rehydrate', says: 'In warm water, then must in parts.' },
  { id: 'sprinkle', name: 'Sprinkle dry', says: 'On the must, as it is.' },
] as const;
const SCALES = computed(() => [
  { g: 0.01 as const, name: 'For salts', says: `tells ${number(0.01, 2)} g apart` },
  { g: 0.1 as const, name: 'Fine', says: `tells ${number(0.1, 1)} g apart` },
  { g: 1 as const, name: 'Kitchen', says: 'whole grams; less is left to a spoon' },
]);
const DEGAS = [
  { perDay: 1, name: 'Once a day', says: 'Gas off the yeast, and oxygen early.' },
  { perDay: 2, name: 'Twice a day', says: 'Morning and evening, for seven days.' },
  { perDay: 0, name: 'Not at all', says: 'The gas finds its own way; only before a dose.' },
] as const;
</script>

<template>
  <div class="fields">
    <fieldset>
      <legend>Fresh fruit</legend>
      <label v-for="way in FRUIT" :key="way.id" class="choice">
        <input type="radio" name="fruit" :checked="practice.fruit === way.id" @change="change({ fruit: way.id })" />
        <span
          ><b>{{ way.name }}</b> <span class="quiet">{{ way.says }}</span></span
        >
      </label>
      <label class="choice">
        <input type="checkbox" :checked="practice.pecticEnzyme" @change="change({ pecticEnzyme: !practice.pecticEnzyme })" />
        <span>Pectic enzyme over fruit</span>
      </label>
    </fieldset>
    <fieldset>
      <legend>Brew day</legend>
      <label v-for="way in PITCH" :key="way.id" class="choice">
        <input type="radio" name="pitch" :checked="practice.pitch === way.id" @change="change({ pitch: way.id })" />
        <span
          ><b>{{ way.name }}</b> <span class="quiet">{{ way.says }}</span></span
        >
      </label>
      <label class="choice">
        <input type="checkbox" :checked="practice.mustSulfite" @change="change({ mustSulfite: !practice.mustSulfite })" />
        <span>Sulfite every must a day before the pitch</span>
      </label>
    </fieldset>
    <fieldset>
      <legend>Degassing in the first week</legend>
      <label v-for="way in DEGAS" :key="way.perDay" class="choice">
        <input
          type="radio"
          name="degas"
          :checked="(practice.degasPerDay ?? USUALLY_PER_DAY) === way.perDay"
          @change="change({ degasPerDay: way.perDay })"
        />
        <span
          ><b>{{ way.name }}</b> <span class="quiet">{{ way.says }}</span></span
        >
      </label>
    </fieldset>
    <fieldset>
      <legend>Your finest scale</legend>
      <label v-for="scale in SCALES" :key="scale.g" class="choice">
        <input type="radio" name="scale" :checked="(practice.scaleG ?? 0.01) === scale.g" @change="change({ scaleG: scale.g })" />
        <span
          ><b>{{ scale.name }}</b> <span class="quiet">{{ scale.says }}</span></span
        >
      </label>
    </fieldset>
    <fieldset>
      <legend>Money</legend>
      <label class="choice">
        <input
          class="line-input sign"
          maxlength="4"
          aria-label="Sign of your money"
          :value="practice.currency"
          @change="change({ currency: ($event.target as HTMLInputElement).value.trim() || practice.currency })"
        />
        <span class="quiet">written before amounts</span>
      </label>
    </fieldset>
  </div>
</template>

<style scoped src="../fields/choices.css"></style>
<style scoped>
.sign {
  width: 64px;
}
</style>
