<script setup lang="ts">
import { useReader } from '../../composables/useReader.ts';
import type { Practice } from '@hollow-bell/contract';
import { RACK_SCHOOLS, rackSchoolTold } from '@hollow-bell/core/clear';
import { SCHOOLS_TOLD, STABILIZE_SCHOOLS, USUAL_SCHOOL } from '@hollow-bell/core/stabilize';

/** How what is finished is racked and kept, in this house. */
const { tell } = useReader();
const practice = defineModel<Practice>({ required: true });
const change = (over: Partial<Practice>): void => {
  practice.value = { ...practice.value, ...over };
};
</script>

<template>
  <div class="fields">
    <fieldset>
      <legend>Kept from new life by</legend>
      <label v-for="school in STABILIZE_SCHOOLS" :key="school" class="choice">
        <input
          type="radio"
          name="stabilizing"
          :checked="(practice.stabilizing ?? USUAL_SCHOOL) === school"
          @change="change({ stabilizing: school })"
        />
        <span
          ><b>{{ SCHOOLS_TOLD[school].name }}</b> <span class="quiet">{{ SCHOOLS_TOLD[school].speaksFor }}</span></span
        >
      </label>
      <label class="choice">
        <input type="checkbox" :checked="practice.noSulfites === true" @change="change({ noSulfites: !practice.noSulfites })" />
        <span><b>No sulfites</b> <span class="quiet">asks before any goes in</span></span>
      </label>
    </fieldset>
    <fieldset>
      <legend>First racked</legend>
      <label v-for="school in RACK_SCHOOLS" :key="school" class="choice">
        <input
          type="radio"
          name="racking"
          :checked="(practice.racking ?? RACK_SCHOOLS[0]) === school"
          @change="change({ racking: school })"
        />
        <span
          ><b>{{ tell(rackSchoolTold(school)) }}</b
          >{{ ' ' }}
          <span class="quiet">{{
            school === 'at dryness' ? 'once it is finished' : 'so that the new vessel finishes under its own gas'
          }}</span></span
        >
      </label>
    </fieldset>
  </div>
</template>

<style scoped src="../fields/choices.css"></style>
