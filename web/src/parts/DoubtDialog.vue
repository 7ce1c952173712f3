<script setup lang="ts">
import { defineAsyncComponent } from 'vue';
import SentenceText from './SentenceText.vue';
import { useBatch } from '../stores/batch.ts';

/** Seldom needed, and not by the first view. */
const MakerDialog = defineAsyncComponent(() => import('./MakerDialog.vue'));
const store = useBatch();
</script>

<template>
  <MakerDialog v-if="store.doubted !== null" title="Before it is written" width="min(480px, 94vw)" @close="store.answer(false)">
    <div class="doubts" role="alert" data-test="doubts">
      <p v-for="(sentence, i) in store.doubted.sentences" :key="i" class="caution"><SentenceText :sentence="sentence" /></p>
      <p class="deeds">
        <el-button @click="store.answer(false)">Leave it out</el-button>
        <el-button type="primary" @click="store.answer(true)">It is so, write it</el-button>
      </p>
    </div>
  </MakerDialog>
</template>

<style scoped>
.doubts {
  display: grid;
  gap: 10px;
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 8px;
}
</style>
