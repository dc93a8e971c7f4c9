import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import { choose, list } from '@/testing/choose'
import { eventually, platform, show } from '@/testing/server'
import { queries } from '@/shared/queries'
import { asGiven, inOrder, moved, useColumns, type RowColumn } from './columns'
import ChartOf from './ChartOf.vue'
import DataRows from './DataRows.vue'
import DockedColumn from './DockedColumn.vue'
import ShareBar from './ShareBar.vue'
import DayField from './DayField.vue'
import NumberField from './NumberField.vue'
import PickOne from './PickOne.vue'
import Tick from './Tick.vue'
import TimeField from './TimeField.vue'

const column = (key: string, more: Partial<RowColumn> = {}): RowColumn => ({ key, label: key, weight: 1, ...more })
const ABC = ['a', 'b', 'c'].map((key) => column(key))
const keys = (columns: { key: string }[]) => columns.map(({ key }) => key).join('')

describe('columns', () => {
  it('stand in the order somebody wants; a new one behind the one it follows by itself', () => {
    expect(keys(inOrder(ABC, asGiven()))).toBe('abc')
    expect(keys(inOrder(ABC, { ...asGiven(), order: ['c', 'a'] }))).toBe('cab')
    expect(keys(inOrder(ABC, { ...asGiven(), order: ['c', 'b'] }))).toBe('acb')
    expect(keys(inOrder(ABC, { ...asGiven(), order: ['gone', 'b'] }))).toBe('abc')
  })

  it('are never lost nor doubled, whatever was kept', () => {
    const some = ['a', 'b', 'c', 'x']
    for (const one of some)
      for (const two of some)
        for (const three of some) {
          const order = [...new Set([one, two, three])]
          expect(
            inOrder(ABC, { ...asGiven(), order })
              .map(({ key }) => key)
              .sort(),
          ).toEqual(['a', 'b', 'c'])
        }
  })

  it('move as far as there are places', () => {
    expect([moved(['a', 'b', 'c'], 'a', 1), moved(['a', 'b', 'c'], 'a', 9), moved(['a', 'b', 'c'], 'b', -5)]).toEqual([
      ['b', 'a', 'c'],
      ['b', 'c', 'a'],
      ['b', 'a', 'c'],
    ])
    expect(moved(['a', 'b'], 'x', 1)).toEqual(['a', 'b'])
  })

  it('are remembered, and can be had again as they were given', async () => {
    const columns = useColumns('test', () => [column('a', { always: true }), column('b'), column('c')])
    columns.move('c', -1)
    columns.toggle('b')
    columns.toggle('a')
    columns.resize({ a: 300, c: 100 })
    await nextTick()
    const again = useColumns('test', () => [column('a', { always: true }), column('b'), column('c')])
    expect(keys(again.visible.value)).toBe('ac')
    expect(again.visible.value.map(({ weight }) => weight)).toEqual([1.5, 0.5])
    again.reset()
    expect([keys(again.all.value), again.changed.value]).toEqual(['abc', false])
  })
})

describe('rows', () => {
  const rows = ['Ann', 'Bo', 'Cy'].map((name) => ({ id: name, name }))
  async function table(more: object = {}) {
    const columns = useColumns('rows' + Math.random(), () => [column('name', { sortable: true, always: true })])
    const { page } = show(DataRows, {
      props: { rows, keyOf: (row: { id: string }) => row.id, columns, name: 'People', opens: true, ...more },
      slots: { cell: '<template #cell="{ row }">{{ row.name }}</template>' },
    } as never)
    await eventually(() => expect(page.findAll('tr.body')).toHaveLength(rows.length))
    return page
  }
  const at = (page: Awaited<ReturnType<typeof table>>, index: number) => page.get(`[data-row="${index}"]`)

  it('are gone through by the arrows and opened by Enter, the one that has the focus', async () => {
    const page = await table()
    expect(page.findAll('tbody tr').map((row) => row.attributes('tabindex'))).toEqual(['0', '-1', '-1'])
    ;(at(page, 0).element as HTMLElement).focus()
    await at(page, 0).trigger('keydown', { key: 'ArrowDown' })
    await at(page, 0).trigger('keydown', { key: 'Enter' })
    expect(page.emitted('open')).toEqual([[rows[1]]])
    await at(page, 1).trigger('click')
    expect(page.emitted('open')).toHaveLength(2)
  })

  it('are chosen by Space, in runs with Shift, and say whether they are', async () => {
    const page = await table({ chosen: new Set(['Bo']), pickName: (row: { name: string }) => 'Choose ' + row.name })
    expect(page.findAll('tbody tr').map((row) => row.attributes('aria-selected'))).toEqual(['false', 'true', 'false'])
    await at(page, 0).trigger('keydown', { key: ' ' })
    await at(page, 0).trigger('keydown', { key: 'ArrowDown', shiftKey: true })
    await page.get('input[aria-label="Choose Cy"]').trigger('change')
    expect(page.emitted('choose')).toEqual([
      [0, false],
      [1, true],
      [2, false],
    ])
  })

  it('keep whoever is in a cell when others are chosen', async () => {
    const page = await table({ chosen: new Set<string>(), pickName: (row: { name: string }) => row.name })
    const box = page.get('input[aria-label="Ann"]').element
    await page.setProps({ chosen: new Set(['Ann']) } as never)
    expect(page.get('input[aria-label="Ann"]').element).toBe(box)
    expect((box as HTMLInputElement).checked).toBe(true)
  })

  it('are sorted by their headings', async () => {
    const page = await table({ sort: { by: 'name', up: true } })
    expect(page.get('th').attributes('aria-sort')).toBe('ascending')
    await page.get('th').trigger('click')
    expect(page.emitted('sort')).toEqual([['name']])
  })
})

describe('fields', () => {
  it('an empty text is a choice like any other', async () => {
    const options = ['', 'x'].map((value) => ({ value, label: value || 'any' }))
    const { page } = show(PickOne, { props: { label: 'What', modelValue: '', options } } as never)
    expect(list(page, 'What').text()).toBe('any')
    await choose(page, 'What', 'x')
    expect(page.emitted('update:modelValue')).toEqual([['x']])
  })

  it('a day is typed as people write it, and what is none stays and is said once the field is left', async () => {
    const day = ref('')
    queries.setQueryData(['platform'], platform)
    const { page } = show(
      { components: { DayField }, setup: () => ({ day }), template: '<DayField v-model="day" label="From" shown />' },
      {},
    )
    const field = page.get('input')
    await field.setValue('7 sep 2026')
    expect(day.value).toBe('2026-09-07')
    await field.trigger('blur')
    expect((field.element as HTMLInputElement).value).toBe('7 Sept 2026')
    await field.setValue('soon')
    expect([day.value, page.find('[role=alert]').exists()]).toEqual(['soon', false])
    await field.trigger('blur')
    expect(page.get('[role=alert]').text()).toMatch(/^This is not a day\. Write it like \d\d\/\d\d\/\d{4}\.$/)
    await field.setValue('')
    expect(day.value).toBe('')
  })

  it('a time likewise', async () => {
    const { page } = show(TimeField, { props: { label: 'At', modelValue: '09:00' } } as never)
    await page.get('input').setValue('930')
    expect(page.emitted('update:modelValue')).toEqual([['09:30']])
  })

  it('a number counts while it is typed, and may be none', async () => {
    const { page } = show(NumberField, { props: { label: 'Seats', modelValue: 3 } } as never)
    page.getComponent({ name: 'InputNumber' }).vm.$emit('input', { value: 12 })
    page.getComponent({ name: 'InputNumber' }).vm.$emit('input', { value: undefined })
    expect(page.emitted('update:modelValue')).toEqual([[12], [null]])
  })

  it('a number is pasted, and a paste of nothing is left alone', async () => {
    const { page } = show(NumberField, { props: { label: 'Seats', modelValue: null } } as never)
    const input = page.get('input')
    const paste = (text: string | null) => {
      const event = new Event('paste', { bubbles: true, cancelable: true })
      const clipboardData = text === null ? null : { getData: () => text }
      input.element.dispatchEvent(Object.assign(event, { clipboardData }))
      return event.defaultPrevented
    }
    expect([paste(null), paste('')]).toEqual([false, false])
    expect(page.emitted('update:modelValue')).toBeUndefined()
    expect(paste('24')).toBe(true)
    await nextTick()
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([24])
  })

  it('a picture has its numbers as a table, written once they are opened', async () => {
    const series = [{ name: 'Current', numbers: [4, 9], as: 'line', colour: 'spruce' }]
    const props = { label: 'People', said: 'Two days.', along: 'Day', places: ['1 Nov', '2 Nov'], series }
    const { page } = show(ChartOf, { props } as never)
    const details = page.get('details')
    expect(details.find('table').exists()).toBe(false)
    details.element.open = true
    await details.trigger('toggle')
    expect(details.findAll('tbody tr').map((row) => row.text())).toEqual(['1 Nov4', '2 Nov9'])
  })

  it('a tick that is not granted is drawn as it is', async () => {
    const asked: boolean[] = []
    const props = { modelValue: false, label: 'Tell', 'onUpdate:modelValue': (on: boolean) => asked.push(on) }
    const { page } = show(Tick, { props } as never)
    await page.get('input').trigger('change')
    await flushPromises()
    expect(asked).toEqual([true])
    expect((page.get('input').element as HTMLInputElement).checked).toBe(false)
  })
})

describe('a docked column', () => {
  it('is as wide as one makes it, by keys too, and remembers it until it is given back', async () => {
    const column = mount(DockedColumn, { props: { label: 'Bo', name: 'test', closes: true } })
    const edge = column.find('[role=separator]')
    const width = () => Number(edge.attributes('aria-valuenow'))
    await edge.trigger('keydown', { key: 'End' })
    expect(width()).toBe(Math.round(window.innerWidth * 0.7))
    await edge.trigger('keydown', { key: 'Home' })
    expect(width()).toBe(300)
    await edge.trigger('pointerdown', { clientX: 500 })
    window.dispatchEvent(new MouseEvent('pointermove', { clientX: 60 }))
    window.dispatchEvent(new MouseEvent('pointerup'))
    window.dispatchEvent(new MouseEvent('pointermove', { clientX: 10 }))
    await nextTick()
    expect(width()).toBe(440)
    const again = mount(DockedColumn, { props: { label: 'Cy', name: 'test' } })
    expect(again.find('[role=separator]').attributes('aria-valuenow')).toBe('440')
    await edge.trigger('dblclick')
    expect(column.attributes('style')).toBeUndefined()
    await column.trigger('keydown', { key: 'Escape' })
    await column.find('.shut').trigger('click')
    expect(column.emitted('close')).toHaveLength(2)
  })
})

describe('the shares of a whole', () => {
  it('says each part that there is, and takes the whole from them', () => {
    const shares = [
      { words: '27 could enter', n: 27, colour: 'spruce' as const },
      { words: '0 could look', n: 0, colour: 'mint' as const },
      { words: '3 are paused', n: 3, colour: 'brass' as const },
    ]
    const bar = mount(ShareBar, { props: { shares } })
    expect(bar.findAll('li').map((each) => each.text())).toEqual(['27 could enter', '3 are paused'])
    expect(bar.findAll('[data-pc-section=meter]').map((each) => each.attributes('style'))).toEqual([
      expect.stringContaining('width: 90%'),
      expect.stringContaining('width: 10%'),
    ])
    const bare = mount(ShareBar, { props: { shares, bare: true } })
    expect(bare.find('[role=img]').attributes('aria-label')).toBe('27 could enter, 3 are paused')
  })
})
