import { ref } from 'vue'

/** What the open piece is called; the trail at the top says it without knowing the project. */
export const openName = ref<string>()
