<script setup lang="ts">
import { HOUSE_PRACTICES, houseOf } from '@hollow-bell/contract';
import type { Practice } from '@hollow-bell/contract';
import { SHOWN_UNITS } from '@hollow-bell/core/quantities';
import QuantityField from './QuantityField.vue';

const practice = defineModel<Practice>({ required: true });

const UNITS = [
  { id: 'metric', name: 'Metric' },
  { id: 'us', name: 'US' },
  { id: 'uk', name: 'UK' },
] as const;
const REGIONS = [
  { id: 'eu', name: 'European limits' },
  { id: 'us', name: 'US limits' },
] as const;
const isHouse = (house: (typeof HOUSE_PRACTICES)[number]): boolean =>
  practice.value.organicCredit === house.organicCredit && practice.value.dapShare === house.dapShare;
/** What was left as the old units had it goes with the new ones. */
function goWith(units: Practice['units']): Partial<Practice> {
  const [before, after] = [houseOf(practice.value.units), houseOf(units)];
  return {
    units,
    ...(practice.value.calibrationC === before.calibrationC ? { calibrationC: after.calibrationC } : {}),
    ...(practice.value.currency === before.currency ? { currency: after.currency } : {}),
  };
}
const change = (over: Partial<Practice>): void => {
  practice.value = { ...practice.value, ...over };
};
</script>

<template>
  <div class="fields">
    <fieldset>
      <legend>Units</legend>
      <label v-for="units in UNITS" :key="units.id" class="choice">
        <input type="radio" name="units" :checked="practice.units === units.id" @change="change(goWith(units.id))" />
        <span
          ><b>{{ units.name }}</b> <span class="quiet">{{ SHOWN_UNITS[units.id].label }}</span></span
        >
      </label>
    </fieldset>
    <fieldset>
      <legend>House practice: how you feed</legend>
      <label v-for="house in HOUSE_PRACTICES" :key="house.id" class="choice">
        <input
          type="radio"
          name="house"
          :checked="isHouse(house)"
          @change="change({ organicCredit: house.organicCredit, dapShare: house.dapShare })"
        />
        <span
          ><b>{{ house.name }}</b> <span class="quiet">{{ house.says }}</span></span
        >
      </label>
      <div class="inline">
        <label v-for="region in REGIONS" :key="region.id" class="choice">
          <input type="radio" name="region" :checked="practice.region === region.id" @change="change({ region: region.id })" />
          <span>{{ region.name }}</span>
        </label>
        <label class="choice"
          ><input type="radio" name="calibration" :checked="practice.calibrationC === 20" @change="change({ calibrationC: 20 })" /><span
            >hydrometer marked 20 °C</span
          ></label
        >
        <label class="choice"
          ><input
            type="radio"
            name="calibration"
            :checked="practice.calibrationC === 15.56"
            @change="change({ calibrationC: 15.56 })"
          /><span>marked 60 °F</span></label
        >
      </div>
    </fieldset>
    <fieldset>
      <legend>Room temperature where it ferments</legend>
      <QuantityField
        :model-value="practice.roomTempC"
        kind="temp"
        label="Room temperature"
        hide-label
        needed
        :units="practice.units"
        :limits="{ low: 0, high: 45 }"
        class="room"
        @update:model-value="$event !== null && change({ roomTempC: $event })"
      />
    </fieldset>
  </div>
</template>

<style scoped src="./choices.css"></style>
<style scoped>
.inline {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
}

.room {
  max-width: 160px;
}
</style>
