<script setup lang="ts">
import { ref } from 'vue';
import WhenField from '../fields/WhenField.vue';
import { useReader } from '../../composables/useReader.ts';

/** When it was read, by a press where that will do; null is now. */
const at = defineModel<number | null>({ required: true });
const emit = defineEmits<{ chosen: [] }>();
const { typedBy } = useReader();
const isAnother = ref(false);
const WORDS = ['this morning', 'yesterday evening'] as const;

async function choose(words: string | null): Promise<void> {
  const now = Date.now();
  at.value = words === null ? null : (await import('@hollow-bell/tell/dip')).readWhen(words, now, typedBy.value.locale);
  emit('chosen');
}
</script>

<template>
  <div class="when">
    <button type="button" class="link" @click="choose(null)">now</button>
    <button v-for="each in WORDS" :key="each" type="button" class="link" @click="choose(each)">{{ each }}</button>
    <button type="button" class="link" :aria-expanded="isAnother" @click="isAnother = true">another time</button>
    <WhenField v-if="isAnother" v-model="at" />
  </div>
</template>

<style scoped>
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}

.link {
  min-height: 44px;
}
</style>
