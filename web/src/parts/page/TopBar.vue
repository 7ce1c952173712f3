<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useCellarLight } from '../../composables/useCellarLight.ts';
import { PLACE_NAMES } from '../../placeNames.ts';
import DipLine from './DipLine.vue';

const PLACES = ['rounds', 'batches', 'bench', 'shelf', 'cellar', 'practice', 'house'] as const;

const route = useRoute();
const { light, toggle } = useCellarLight();
const inBatch = computed(() => route.name === 'batch' || route.name === 'station');
const isHere = (name: string): boolean =>
  route.name === name ||
  (name === 'batches' && (inBatch.value || route.name === 'new' || route.name === 'found' || route.name === 'label')) ||
  (name === 'cellar' && route.name === 'recipes');
const hasDipLine = computed(() => inBatch.value || route.name === 'rounds');
</script>

<template>
  <header class="top no-print">
    <RouterLink :to="{ name: 'rounds' }" class="mark"><img src="/favicon.svg" alt="" width="28" height="28" />Hollow Bell</RouterLink>
    <nav aria-label="Places">
      <RouterLink
        v-for="place in PLACES"
        :key="place"
        :to="{ name: place }"
        :class="{ here: isHere(place) }"
        :aria-current="isHere(place) ? 'page' : undefined"
        >{{ PLACE_NAMES[place] }}</RouterLink
      >
    </nav>
    <RouterLink :to="{ name: 'help' }" class="to-help" aria-label="Help" title="Help"><span aria-hidden="true">?</span></RouterLink>
    <button
      type="button"
      class="light"
      :aria-label="light === 'day' ? 'Cellar light' : 'Day light'"
      :title="light === 'day' ? 'Cellar light' : 'Day light'"
      @click="toggle"
    >
      <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
        <path v-if="light === 'day'" d="M7 3h6l1.500 9h-9zM8 12v3M12 12v3M6.500 16h7" />
        <path
          v-else
          d="M10 4v-2M10 18v-2M4 10H2M18 10h-2M6 6 4.500 4.500M15.500 15.500 14 14M14 6l1.500-1.500M4.500 15.500 6 14M10 7a3 3 0 1 1 0 6 3 3 0 0 1 0-6z"
        />
      </svg>
    </button>
    <DipLine v-if="hasDipLine" :key="String(route.params['id'] ?? 'rounds')" :across-batches="!inBatch" />
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 22px;
  max-width: 1280px;
  margin: 0 auto;
  padding: 8px 32px;
  min-height: 57px;
}

.mark {
  display: flex;
  align-items: center;
  gap: 9px;
  font-size: 19px;
  font-weight: 720;
  text-decoration: none;
}

nav {
  display: flex;
  flex: 1;
  gap: 4px;
}

nav a {
  white-space: nowrap;
  padding: 8px 11px;
  border-bottom: 2px solid transparent;
  color: var(--soot-2);
  text-decoration: none;
}

nav a:hover {
  color: var(--soot);
}

nav a.here {
  border-color: var(--bronze);
  color: var(--soot);
  font-weight: 700;
}

.light {
  display: grid;
  place-items: center;
  width: 40px;
  height: 40px;
  border: 0;
  background: none;
  cursor: pointer;
}

.to-help {
  display: grid;
  place-items: center;
  width: 40px;
  height: 40px;
  margin-right: -18px;
  color: var(--soot-2);
  font-size: 19px;
  font-weight: 700;
  text-decoration: none;
}

.light path {
  fill: none;
  stroke: var(--soot-2);
  stroke-width: 1.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}

@media (max-width: 720px) {
  .top {
    flex-wrap: wrap;
    gap: 4px;
    padding: 4px 12px 10px;
  }

  .mark {
    display: none;
  }

  nav {
    flex-wrap: wrap;
    gap: 0;
  }

  nav a {
    padding: 11px 5px;
    font-size: 14px;
  }

  .to-help,
  .light {
    margin: 0 0 0 -8px;
    width: 34px;
    height: 44px;
  }
}
</style>
