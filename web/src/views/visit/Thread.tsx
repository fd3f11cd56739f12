import './thread.css'
import { Text } from '@chakra-ui/react'
import { useRef } from 'react'
import { Link, useSearchParams } from 'react-router'
import type { Stop } from '../../api/types'
import { keyOf } from './stops'
import { useArrowList } from './useArrowList'

/** The stops in the order a person walks, each done or open. */
export function Thread({ stops, current }: { stops: Stop[]; current: string }) {
  const [params] = useSearchParams()
  const list = useRef<HTMLOListElement>(null)
  const along = useArrowList(list)
  return (
    <ol className="thread" aria-label="Stops of the walk" ref={list} onKeyDown={along}>
      {stops.map((stop) => {
        const key = keyOf(stop)
        const to = new URLSearchParams(params)
        to.set('step', key)
        return (
          <li key={key} className={stop.isDone ? 'done' : undefined}>
            <Link to={{ search: to.toString() }} replace aria-current={key === current ? 'step' : undefined}>
              <span className="knot" aria-hidden />
              <span>
                <Text as="span" display="block" fontWeight="650" overflowWrap="anywhere" dir="auto">
                  {stop.title}
                </Text>
                <Text as="span" display="block" textStyle="note">
                  {stop.isDone ? '' : 'open: '}
                  {stop.says}
                </Text>
              </span>
            </Link>
          </li>
        )
      })}
    </ol>
  )
}
