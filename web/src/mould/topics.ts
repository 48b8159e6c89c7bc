/** What the Mould stage looks at, in the order the questions come. */
export const topics = [
  { name: 'air', label: 'Air', key: '1' },
  { name: 'parting', label: 'Parting', key: '2' },
  { name: 'kind', label: 'Kind', key: '3' },
  { name: 'silicone', label: 'Silicone', key: '4' },
  { name: 'contact', label: 'Compatibility', key: '5' },
  { name: 'steps', label: 'Steps', key: '6' },
  { name: 'passport', label: 'Record', key: '7' },
] as const
export type Topic = (typeof topics)[number]['name']
