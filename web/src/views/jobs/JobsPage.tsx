import { Box, Flex, Heading, Input, Text } from '@chakra-ui/react'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { lazy, Suspense, useEffect, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { ApiProblem } from '../../api/client'
import { createJob, deleteJob, importJob, jobList } from '../../api/queries'
import { LooksOnly } from '../../layout/LooksOnly'
import { useKeys } from '../../layout/useKeys'
import { usePlace } from '../../layout/usePlace'
import { FilePick } from '../../parts/FilePick'
import { Form, Send } from '../../parts/Form'
import { fieldLook, typing } from '../../parts/Labelled'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { when } from '../../parts/when'
import { verdictWords } from '../../parts/words'
import { useDrafts } from '../../state/drafts'
import { say } from '../../state/notices'
import { useTheme } from '../../state/theme'
import { isGuest } from '../../state/thisPage'
import { BringJob } from './BringJob'
import { UnreadableJob } from './UnreadableJob'

const PhoneSheet = lazy(() => import('./PhoneSheet').then((it) => ({ default: it.PhoneSheet })))
const CopiesSheet = lazy(() => import('./CopiesSheet').then((it) => ({ default: it.CopiesSheet })))
const DeleteSheet = lazy(() => import('./DeleteSheet').then((it) => ({ default: it.DeleteSheet })))

/** As many as a person looks through; more are found by name. */
const atOnce = 50

/** So few are seen at a glance. */
const fewJobs = 7

export function JobsPage() {
  const [find, setFind] = useState('')
  const [most, setMost] = useState(atOnce)
  const { data, error, isPending, refetch } = useQuery({
    ...jobList(find.trim(), most),
    placeholderData: (old) => old,
  })
  const shown = (data ?? []).slice(0, most)
  const navigate = useNavigate()
  useEffect(() => {
    document.title = 'Jobs · Altrin'
  }, [])
  const newJob = useRef<HTMLInputElement>(null)
  useKeys({ box: () => newJob.current?.focus() })
  const queries = useQueryClient()
  const { theme, toggle } = useTheme()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string>()
  const [file, setFile] = useState<File>()
  const { params, turn } = usePlace()
  const doomed = (data ?? []).find((one) => one.id === params.get('open')) ?? null
  const setDoomed = (job: { id: string; name: string } | null) => turn({ open: job?.id ?? null })

  const begin = useMutation({
    mutationFn: (ask: () => ReturnType<typeof createJob>) => ask(),
    onSuccess: (job) => {
      void queries.invalidateQueries({ queryKey: ['jobs'] })
      navigate(`/job/${job.id}/${(job.found.document.devices ?? []).length === 0 ? 'visit' : 'stairs'}`)
    },
    onError: (failed) => setProblem(failed instanceof ApiProblem ? failed.message : 'That did not work.'),
  })
  const remove = async (id: string) => {
    try {
      await deleteJob(id)
      useDrafts.getState().forget(id)
    } catch (failed) {
      say((failed as Error).message, 'problem')
    }
    setDoomed(null)
    await refetch()
  }

  return (
    <Box as="main" maxW="880px" mx="auto" px={{ base: '16px', md: '32px' }} py={{ base: '20px', md: '40px' }}>
      <Flex justify="space-between" align="baseline">
        <Heading as="h1" fontSize="26px" color="spruce" fontWeight="800">
          Altrin
        </Heading>
        <Flex gap="12px" align="baseline">
          <Link to="/kit" className="textlink">
            Kit shelf
          </Link>
          <Press kind="plain" onClick={() => turn({ open: 'phone' })}>
            Phone
          </Press>
          {/* They are the laptop's: a phone is told so, and need not be offered them. */}
          {!isGuest && (
            <Press kind="plain" onClick={() => turn({ open: 'copies' })}>
              Copies
            </Press>
          )}
          <Press kind="plain" onClick={toggle}>
            {theme === 'dark' ? 'Light' : 'Dark'}
          </Press>
        </Flex>
      </Flex>
      <Text color="quiet" mb="28px">
        A second pair of eyes for a home network: what is wrong, what it should be, and in which order to set
        it.
      </Text>
      <LooksOnly />

      <Heading as="h2" fontSize="18px" mb="8px">
        Jobs
      </Heading>
      <Problem mb="12px">{error?.message}</Problem>
      {isPending && !error && (
        <Text color="quiet" role="status" py="16px">
          Reading the jobs …
        </Text>
      )}
      {(find || (data ?? []).length > fewJobs) && (
        <Input
          aria-label="Find a job by its name"
          placeholder="Find by name"
          type="search"
          w={{ base: '100%', md: '260px' }}
          mb="10px"
          {...fieldLook}
          {...typing.words}
          dir="auto"
          value={find}
          onChange={(event) => {
            setFind(event.target.value)
            setMost(atOnce)
          }}
        />
      )}
      {data?.length === 0 && find && (
        <Text py="12px" role="status">
          No job is called “{find.trim()}”.
        </Text>
      )}
      {data?.length === 0 && !find && (
        <Box py="16px">
          <Text mb="12px">
            No jobs yet. Begin with the house you are in, or look at the demo house first.
          </Text>
          <Press kind="main" onClick={() => begin.mutate(() => createJob('demo'))}>
            Open the demo house
          </Press>
        </Box>
      )}
      <Box as="ul" listStyleType="none" borderTop="1px solid" borderColor="hairline">
        {shown.map((job) => (
          <Flex
            as="li"
            key={job.id}
            borderBottom="1px solid"
            borderColor="hairline"
            align="center"
            gap="12px"
          >
            <Box flex="1" minW="0">
              {job.found && job.planned ? (
                <Link to={`/job/${job.id}/stairs`} style={{ display: 'block' }}>
                  <Box py="12px" px="8px" _hover={{ bg: 'spruceWash' }}>
                    <Text fontWeight="700" fontSize="17px" color="spruce" overflowWrap="anywhere" dir="auto">
                      {job.name}
                    </Text>
                    <Text fontSize="small" color={job.found.faults ? 'brick' : 'moss'}>
                      As found: {verdictWords(job.found)}
                    </Text>
                    <Text fontSize="small" color="quiet">
                      Planned: {verdictWords(job.planned)}. Changed {when(job.changedAt)}
                    </Text>
                  </Box>
                </Link>
              ) : (
                <UnreadableJob job={job} onMended={() => refetch()} />
              )}
            </Box>
            <Press
              kind="plain"
              color="quiet"
              aria-label={`Delete ${job.name}`}
              onClick={() => setDoomed({ id: job.id, name: job.name })}
            >
              Delete
            </Press>
          </Flex>
        ))}
      </Box>

      {(data ?? []).length > most && (
        <Press mt="10px" onClick={() => setMost((now) => Math.min(now + atOnce, 999))}>
          Show more
        </Press>
      )}

      <Heading as="h2" fontSize="18px" mt="32px" mb="8px">
        New job
      </Heading>
      <Form
        gap="8px"
        align="center"
        onSend={() => {
          setProblem(undefined)
          begin.mutate(() => createJob('empty', name.trim() || undefined))
        }}
      >
        <Input
          ref={newJob}
          aria-label="Name of the house"
          placeholder="Name of the house"
          w="260px"
          {...fieldLook}
          {...typing.words}
          dir="auto"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Send kind="main" disabled={begin.isPending}>
          Begin an empty house
        </Send>
        <FilePick
          label="Document to bring in"
          accept="application/json,.json,.altrin"
          take={async (chosen) => {
            setProblem(undefined)
            if (chosen.name.toLowerCase().endsWith('.altrin')) return setFile(chosen)
            const text = await chosen.text()
            begin.mutate(() => importJob(text))
          }}
        >
          Import a job or a document
        </FilePick>
      </Form>
      {file && (
        <BringJob
          file={file}
          onClose={() => setFile(undefined)}
          onBrought={(id) => navigate(`/job/${id}/stairs`)}
        />
      )}
      <Problem mt="8px">{problem}</Problem>
      <Flex gap="4px 12px" wrap="wrap" align="center" mt="12px">
        <Text fontSize="small" color="quiet">
          To look round in an invented house:
        </Text>
        <Press kind="plain" onClick={() => begin.mutate(() => createJob('demo'))} disabled={begin.isPending}>
          Open a fresh demo house
        </Press>
        <Press
          kind="plain"
          onClick={() => begin.mutate(() => createJob('demo-terrace'))}
          disabled={begin.isPending}
        >
          Open the demo house to be planned
        </Press>
        <Press
          kind="plain"
          onClick={() => begin.mutate(() => createJob('demo-farm'))}
          disabled={begin.isPending}
        >
          Open the big demo house
        </Press>
      </Flex>

      <Suspense>
        {params.get('open') === 'phone' && <PhoneSheet onClose={() => turn({ open: null })} />}
        {params.get('open') === 'copies' && <CopiesSheet onClose={() => turn({ open: null })} />}
        {doomed && (
          <DeleteSheet
            name={doomed.name}
            onClose={() => setDoomed(null)}
            onDelete={() => remove(doomed.id)}
          />
        )}
      </Suspense>
    </Box>
  )
}
