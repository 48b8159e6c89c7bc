import type { RouteRecordRaw } from 'vue-router'

/** Every address with its view; views load when they are opened. */
export const routes: RouteRecordRaw[] = [
  { path: '/', redirect: '/pieces' },
  { path: '/pieces', name: 'pieces', component: () => import('../piece/PiecesView.vue') },
  {
    path: '/pieces/new',
    name: 'new-piece',
    component: () => import('../piece/NewPieceView.vue'),
  },
  {
    path: '/pieces/:id',
    component: () => import('../piece/PieceView.vue'),
    children: [
      { path: '', redirect: { name: 'pour' } },
      { path: 'shape', name: 'shape', component: () => import('../piece/ShapeView.vue') },
      {
        path: 'mould/:topic?',
        name: 'mould',
        component: () => import('../mould/MouldView.vue'),
      },
      { path: 'pour', name: 'pour', component: () => import('../pour/PourView.vue') },
      { path: 'history', name: 'history', component: () => import('../history/HistoryView.vue') },
      { path: 'pulls/:pull?', name: 'pulls', component: () => import('../pulls/PullsView.vue') },
    ],
  },
  {
    path: '/pieces/:id/sheet',
    name: 'sheet',
    meta: { paper: true },
    component: () => import('../sheet/SheetView.vue'),
  },
  {
    path: '/pieces/:id/mould-sheet',
    name: 'mould-sheet',
    meta: { paper: true },
    component: () => import('../mould/sheet/MouldSheetView.vue'),
  },
  { path: '/moulds/:mould?', name: 'moulds', component: () => import('../mould/MouldsView.vue') },
  { path: '/log', name: 'log', component: () => import('../log/LogView.vue') },
  { path: '/runs', name: 'runs', component: () => import('../run/RunsView.vue') },
  { path: '/runs/:run', name: 'run', component: () => import('../run/RunView.vue') },
  {
    path: '/runs/:run/sheet',
    name: 'run-sheet',
    meta: { paper: true },
    component: () => import('../run/RunSheetView.vue'),
  },
  {
    path: '/runs/:run/bench/:bench',
    name: 'bench',
    meta: { paper: true },
    component: () => import('../bench/BenchView.vue'),
  },
  {
    path: '/pieces/:id/mould-bench/:bench',
    name: 'mould-bench',
    meta: { paper: true },
    component: () => import('../bench/BenchView.vue'),
  },
  {
    path: '/equipment',
    name: 'equipment',
    component: () => import('../equipment/EquipmentView.vue'),
  },
  { path: '/desk', name: 'desk', component: () => import('../desk/DeskView.vue') },
  { path: '/shelf/:material?', name: 'shelf', component: () => import('../shelf/ShelfView.vue') },
  { path: '/studio', name: 'studio', component: () => import('../studio/StudioView.vue') },
  { path: '/:rest(.*)*', name: 'lost', component: () => import('./LostView.vue') },
]

/** An address's pattern as it begins a path: `:id` is a part of it, `:id?` may be missing. */
const patternOf = (path: string) =>
  path
    .replace(/\/:\w+\(\.\*\)\*/, '/.*')
    .replace(/\/:\w+\?/g, '(?:/[^/]+)?')
    .replace(/:\w+/g, '[^/]+')

/**
 * What loads the views of an address, the outer first, so that they are on their way before the
 * router is.
 */
export function viewsAt(path: string, among = routes, above = ''): (() => Promise<unknown>)[] {
  for (const route of among) {
    const own = `${above}${above && route.path ? '/' : ''}${route.path}`
    const view = route.component ? [route.component as () => Promise<unknown>] : []
    const inner = route.children ? viewsAt(path, route.children, own) : []
    if (inner.length > 0) return [...view, ...inner]
    if (new RegExp(`^${patternOf(own)}$`).test(path)) return view
  }
  return []
}
