<script setup lang="ts">
import type { ReadCsv } from '@hollow-bell/tell/shelf-in';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useShelf } from '../../stores/shelf.ts';
import MakerDialog from '../fields/MakerDialog.vue';

const props = defineProps<{ read: ReadCsv; fileName: string }>();
const emit = defineEmits<{ close: [] }>();
const shelf = useShelf();
const { refusal, busy, attempt } = useAttempt();
/** So many are spelled out; of the others it says how many there are. */
const TOLD_PROBLEMS = 20;

async function importAll(): Promise<void> {
  if (await attempt(() => shelf.importAll(props.read.items))) emit('close');
}
</script>

<template>
  <MakerDialog :title="`From ${fileName}`" width="min(560px, 94vw)" @close="emit('close')">
    <template v-if="read.problems.length > 0">
      <p role="alert">
        <b>Nothing was imported.</b> {{ read.problems.length === 1 ? 'One row is' : `${read.problems.length} rows are` }} not as they should
        be; put them right in the file and choose it again.
      </p>
      <ol class="problems">
        <li v-for="problem in read.problems.slice(0, TOLD_PROBLEMS)" :key="problem.row">
          <b>Row {{ problem.row }}</b> {{ problem.sentence }}
        </li>
        <li v-if="read.problems.length > TOLD_PROBLEMS" class="quiet">and {{ read.problems.length - TOLD_PROBLEMS }} rows more</li>
      </ol>
    </template>
    <template v-else>
      <p>
        {{ read.items.length === 1 ? 'One row' : `${read.items.length} rows` }}, all in order. Those whose id is on the shelf already are
        written over.
      </p>
      <ul class="preview small">
        <li v-for="item in read.items" :key="item.id">
          {{ item.name }} <span class="quiet">{{ item.detail.kind }}</span>
        </li>
      </ul>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" :loading="busy" @click="importAll">Put them on the shelf</el-button>
    </template>
  </MakerDialog>
</template>

<style scoped>
.problems,
.preview {
  display: grid;
  gap: 4px;
  max-height: 50vh;
  margin: 10px 0;
  overflow-y: auto;
}

.problems b {
  display: inline-block;
  min-width: 64px;
}
</style>
