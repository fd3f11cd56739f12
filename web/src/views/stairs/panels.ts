import { lazy } from 'react'

/** What is opened on the Stairs and not needed for the picture; fetched in the quiet after it. */
const load = {
  box: () => import('./BoxInspector'),
  thing: () => import('./ThingInspector'),
  line: () => import('../../features/line/LineInspector'),
  hand: () => import('./HandBar'),
  kind: () => import('./KindBar'),
  marked: () => import('../../features/box/MarkedBar'),
  begin: () => import('../../features/house/BeginHouse'),
}

export const BoxInspector = lazy(() => load.box().then((it) => ({ default: it.BoxInspector })))
export const ThingInspector = lazy(() => load.thing().then((it) => ({ default: it.ThingInspector })))
export const LineInspector = lazy(() => load.line().then((it) => ({ default: it.LineInspector })))
export const HandBar = lazy(() => load.hand().then((it) => ({ default: it.HandBar })))
export const KindBar = lazy(() => load.kind().then((it) => ({ default: it.KindBar })))
export const MarkedBar = lazy(() => load.marked().then((it) => ({ default: it.MarkedBar })))
export const BeginHouse = lazy(() => load.begin().then((it) => ({ default: it.BeginHouse })))

export const fetchPanels = () => Promise.all(Object.values(load).map((one) => one()))
