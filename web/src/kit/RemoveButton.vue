<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue'
import { Button, Popconfirm } from 'ant-design-vue'

/** Removes one thing, after it was asked once more. */
withDefaults(defineProps<{ what: string; label?: string; words?: string }>(), { label: '', words: '' })
defineEmits<{ remove: [] }>()
</script>

<template>
  <Popconfirm :title="`Remove ${what}?`" ok-text="Remove" cancel-text="Keep it" @confirm="$emit('remove')">
    <Button :type="words === '' ? 'text' : 'default'" size="small" :aria-label="label === '' ? `Remove ${what}` : label">
      <DeleteOutlined /><template v-if="words !== ''"> {{ words }}</template>
    </Button>
  </Popconfirm>
</template>
