<script setup lang="ts">
import { outsideAllowed } from '../../ringing/outside.ts';
import { useReminders } from '../../stores/reminders.ts';

const reminders = useReminders();
</script>

<template>
  <section class="reminders" aria-label="Reminders">
    <h2>Through this browser</h2>
    <p v-if="outsideAllowed === 'never'" class="quiet">This browser cannot tell anything outside the page; the calendar can.</p>
    <p v-else-if="outsideAllowed === 'denied'" class="quiet">
      This browser was told to keep silent for Hollow Bell. Allow it in its settings for this page, or let the calendar do it.
    </p>
    <template v-else>
      <p class="quiet">While the page is open somewhere, it says once what begins to ask. With the page closed only the calendar does.</p>
      <p>
        <el-button @click="reminders.turn(!reminders.isOn)">{{ reminders.isOn ? 'Remind no more' : 'Remind me on this device' }}</el-button>
      </p>
    </template>
  </section>
</template>

<style scoped>
.reminders {
  display: grid;
  gap: 8px;
  padding-top: 10px;
}
</style>
