import { Box, Drawer, Grid, Portal, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Outlet, useMatch, useNavigate, useParams, useSearchParams } from 'react-router'
import { ApiProblem } from '../api/client'
import { job as jobQuery } from '../api/queries'
import { Press } from '../parts/Press'
import { useHand } from '../state/hand'
import { useTraced } from '../state/trace'
import { AddBoxSheet } from '../views/stairs/AddBoxSheet'
import { ReachSheet } from '../views/stairs/ReachSheet'
import { FindSheet } from './FindSheet'
import { JobProvider, useJob, useTools } from './JobContext'
import { KeysSheet } from './KeysSheet'
import { LogSheet } from './LogSheet'
import { NotFound } from './NotFound'
import { Spine } from './Spine'
import { type StageId, stages } from './stages'
import type { StageTools } from './stageTools'
import { TopLine } from './TopLine'
import { useKeys } from './useKeys'
import { VerdictColumn } from './VerdictColumn'

export function JobPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useQuery(jobQuery(id))
  if (error instanceof ApiProblem && error.status === 404) return <NotFound what="There is no such job." />
  if (!data)
    return (
      <Box as="main" p="48px">
        {error ? (
          <>
            <Text mb="12px">{error.message}</Text>
            <Press onClick={() => refetch()}>Try again</Press>
          </>
        ) : (
          <Spinner color="spruce" aria-label="Loading the job" />
        )}
      </Box>
    )
  return (
    <JobProvider job={data}>
      <Frame />
    </JobProvider>
  )
}

type Open = 'reach' | 'keys' | 'log' | 'find' | 'verdict' | 'box' | null

function Frame() {
  const asked = useMatch('/job/:id/:stage')?.params.stage
  const stage = stages.find((one) => one.id === asked)?.id ?? 'stairs'
  const screen = useJob()
  const { job, side, house } = screen
  const tools = useTools()
  const navigate = useNavigate()
  const [params] = useSearchParams()
  const [open, setOpen] = useState<Open>(null)
  const hold = useHand((hand) => hand.hold)
  const close = () => setOpen(null)

  useEffect(() => {
    document.title = `${job.name} · Altrin`
  }, [job.name])

  const go = (to: StageId) => () => navigate({ pathname: `/job/${job.id}/${to}`, search: params.toString() })
  useKeys({
    ...Object.fromEntries(stages.map((one, i) => [`${i + 1}`, go(one.id)])),
    p: () => tools.show(side === 'found' ? 'planned' : 'found'),
    f: () => {
      const fix = house.findings.flatMap((finding) => finding.fixes.slice(0, 1))[0]
      if (fix) void tools.plan(fix)
    },
    z: () => void tools.back(),
    Z: () => void tools.forth(),
    '/': () => setOpen('find'),
    n: () => setOpen('box'),
    w: () => setOpen('reach'),
    t: () => useTraced.getState().trace(screen.selected),
    c: () => document.activeElement?.closest<HTMLElement>('[data-socket]')?.click(),
    '?': () => setOpen('keys'),
    Escape: () => {
      hold(null)
      tools.select(null)
    },
  })

  return (
    <Grid
      h="100dvh"
      templateAreas={{ base: '"top" "sheet" "spine"', md: '"top top top" "spine sheet verdict"' }}
      templateColumns={{ base: '1fr', md: '148px minmax(0, 1fr) 320px' }}
      templateRows={{ base: 'auto minmax(0, 1fr) auto', md: 'auto minmax(0, 1fr)' }}
      className="frame"
    >
      <TopLine onVerdict={() => setOpen('verdict')} onLog={() => setOpen('log')} />
      <Spine stage={stage} onKeys={() => setOpen('keys')} />
      <Box as="main" gridArea="sheet" overflow="auto" position="relative" tabIndex={-1} className="sheet">
        <Outlet
          context={{ addBox: () => setOpen('box'), showReach: () => setOpen('reach') } satisfies StageTools}
        />
      </Box>
      <Box
        as="aside"
        aria-label="Verdict"
        gridArea="verdict"
        hideBelow="md"
        borderLeft="1px solid"
        borderColor="hairline"
        overflow="auto"
        tabIndex={0}
        className="no-print"
      >
        <VerdictColumn />
      </Box>
      <Drawer.Root open={open === 'verdict'} onOpenChange={(change) => !change.open && close()}>
        <Portal>
          <Drawer.Backdrop bg="rgba(12,20,22,.45)" />
          <Drawer.Positioner>
            <Drawer.Content bg="paper" color="ink">
              <Drawer.Header pb="0">
                <Drawer.Title>Verdict</Drawer.Title>
              </Drawer.Header>
              <Drawer.Body px="0">
                <VerdictColumn />
              </Drawer.Body>
              <Drawer.Footer>
                <Press onClick={close}>Close</Press>
              </Drawer.Footer>
            </Drawer.Content>
          </Drawer.Positioner>
        </Portal>
      </Drawer.Root>
      <KeysSheet open={open === 'keys'} onClose={close} />
      <LogSheet open={open === 'log'} onClose={close} />
      <FindSheet open={open === 'find'} onClose={close} />
      <ReachSheet open={open === 'reach'} onClose={close} />
      <AddBoxSheet open={open === 'box'} onClose={close} />
    </Grid>
  )
}
