<script setup lang="ts">
import type { Bell } from '@hollow-bell/core/rounds';

defineProps<{ bell: Bell }>();

const NAMES: Record<Bell, string> = { still: 'well', swinging: 'asks for you', muffled: 'waiting', cracked: 'stop' };
const BODY = 'M4 18c1.600-1.200 2.400-3.200 2.400-6.400C6.400 7 8.400 4 12 4s5.600 3 5.600 7.600c0 3.200.8 5.200 2.400 6.400z';
</script>

<template>
  <svg :class="['bell', bell]" viewBox="0 0 26 24" role="img" :aria-label="NAMES[bell]">
    <g :transform="bell === 'swinging' ? 'rotate(16 12 4)' : ''">
      <path :d="BODY" class="body" />
      <circle v-if="bell !== 'muffled'" cx="12" cy="20.6" r="1.600" class="clapper" />
      <path v-if="bell === 'muffled'" d="M8.500 12h.1M12 12h.1M15.500 12h.1M9 20.500h6" class="line" />
      <path v-if="bell === 'cracked'" d="M12.500 4.200 10.800 8l2.600 2.600-2.200 3.200 1.400 3.800" class="line" />
    </g>
    <path v-if="bell === 'swinging'" d="M22.500 7.500c1 1.600 1.100 3.200.4 5" class="line" />
  </svg>
</template>

<style scoped>
.bell {
  width: 26px;
  height: 24px;
  flex: none;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.7;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.clapper {
  fill: currentcolor;
  stroke: none;
}

.still {
  color: var(--verdigris);
}

.still .body {
  fill: var(--verdigris-soft);
}

.swinging {
  color: var(--wax);
}

.swinging .body {
  fill: var(--wax-fill);
}

.muffled {
  color: var(--soot-3);
}

.muffled .line {
  stroke-width: 2.2;
}

.cracked {
  color: var(--madder);
}

.cracked .body {
  fill: var(--madder-soft);
}
</style>
