<script setup lang="ts">
import { defineAsyncComponent } from 'vue';
import SentenceText from '../figures/SentenceText.vue';
import { useWrote } from '../../stores/wrote.ts';

/** Seldom needed, and not by the first view. */
const MakerDialog = defineAsyncComponent(() => import('../fields/MakerDialog.vue'));
const wrote = useWrote();
</script>

<template>
  <MakerDialog v-if="wrote.doubted !== null" title="Before it is written" width="min(480px, 94vw)" @close="wrote.answer(false)">
    <div class="doubts" role="alert" data-test="doubts">
      <p v-for="(sentence, i) in wrote.doubted.sentences" :key="i" class="caution"><SentenceText :sentence="sentence" /></p>
      <p class="deeds">
        <el-button @click="wrote.answer(false)">Leave it out</el-button>
        <el-button type="primary" @click="wrote.answer(true)">It is so, write it</el-button>
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
