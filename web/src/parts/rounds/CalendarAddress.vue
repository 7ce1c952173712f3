<script setup lang="ts">
import { useClipboard } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import type { CalendarAddress } from '@hollow-bell/contract';
import { api } from '../../api/client.ts';
import { cellarBase } from '../../cellar.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';

/** The token is told once, when the address is made. */
const standing = ref<CalendarAddress>({ isOpen: false, seenAt: null });
const { refusal, busy, attempt } = useAttempt();
const { show } = useReader();
const { copy, copied } = useClipboard();
const address = computed(() =>
  standing.value.token === undefined ? '' : `${location.origin}${cellarBase}/api/calendar/${standing.value.token}.ics`,
);
const set = (answer: Promise<CalendarAddress>): Promise<boolean> =>
  attempt(async () => {
    standing.value = await answer;
  });
onMounted(() => set(api.calendar()));
</script>

<template>
  <section class="calendar" aria-label="Calendar">
    <h2>In your calendar</h2>
    <p class="quiet">
      Feedings, bags and readings with a date, for any calendar that can subscribe to an address. They move as the must does.
    </p>
    <template v-if="standing.isOpen">
      <p v-if="address === ''">
        An address is open{{
          standing.seenAt === null ? '; nobody has asked for it yet' : `, last asked for ${show('when', standing.seenAt)}`
        }}. It was shown when it was made; a new one shuts it.
      </p>
      <label v-else>
        <span class="small quiet">subscribe to</span>
        <input
          class="line-input"
          :value="address"
          readonly
          data-test="calendar-address"
          @focus="($event.target as HTMLInputElement).select()"
        />
      </label>
      <p class="deeds">
        <el-button v-if="address !== ''" @click="copy(address)">{{ copied ? 'Copied' : 'Copy it' }}</el-button>
        <el-button :loading="busy" @click="set(api.renewCalendar())">A new address</el-button>
        <el-button :loading="busy" @click="set(api.closeCalendar())">Close it</el-button>
      </p>
      <p class="small quiet">
        Whoever has the address can read what is due, and nothing else. It is shown this once; a new one shuts the one before.
      </p>
    </template>
    <p v-else>
      <el-button :loading="busy" @click="set(api.renewCalendar())">Open an address</el-button>
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.calendar {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

label {
  display: grid;
  gap: 2px;
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
