<script setup lang="ts">
import { bottlesLeft } from '@hollow-bell/core/record';
import { computed } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import NextTime from '../parts/cellar/NextTime.vue';
import TastingForm from '../parts/cellar/TastingForm.vue';
import TastingList from '../parts/cellar/TastingList.vue';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const isBottled = computed(() => store.ledger.history.bottled !== null);
</script>

<template>
  <section>
    <StationHead />
    <div v-if="store.batch !== null" class="columns">
      <div class="stack">
        <h2>What does it say today?</h2>
        <TastingForm :batch-id="store.batch.id" :is-bottled="isBottled" :left="bottlesLeft(store.ledger)" />
        <p v-if="isBottled" class="caution">
          Opened one? Read its gravity too,
          <RouterLink :to="{ name: 'station', params: { id: store.batch.id, station: 'watch' } }">on Watch</RouterLink>: one that has fallen
          ferments in its glass.
        </p>
        <TastingList :tastings="store.ledger.history.tastings" />
        <NextTime
          :batch-id="store.batch.id"
          :notes="store.ledger.history.nextTime"
          :wants-verdict="isBottled && bottlesLeft(store.ledger) === 0"
        />
        <p v-if="isBottled"><RouterLink :to="{ name: 'cellar' }">Its shelf in the Cellar</RouterLink></p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>
