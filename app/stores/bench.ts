import { plainCopy } from '~/browser/plainCopy'
import { format } from 'date-fns'
import { defineStore } from 'pinia'
import { benchDay, ownJob, visitJob, type BenchDay } from '../../core/bench/benchDay'
import { EMPTY_PLAN, type DayPlan } from '../../core/bench/dayPlan'
import { jobsOfDay } from '../../core/bench/jobsOfDay'
import type { BenchStep } from '../../core/bench/jobSteps'
import { planConflicts, type Naming, type PlanConflict } from '../../core/bench/planCheck'
import {
  missingSteps,
  movesOf,
  planFigures,
  shownPlan,
  type ShownStep,
} from '../../core/bench/shownPlan'
import type { PlacedStep, Schedule } from '../../core/bench/schedule/schedule'
import { stepCommand } from '../../core/bench/stepCommand'
import type { StepChange } from '../../core/record/stepState'
import type { BenchJobRow, BenchState, PlanRow } from '../../shared/contracts'
import { scheduleWorker, stopScheduling } from '~/workers/scheduleWorker'
import { KEPT_HERE, useOutbox } from './outbox'
import { useQueue } from './queue'
import { useLine } from './line'
import { useTimers } from './timers'

/** How a step stands after what was done with it. */
const STATE_AFTER: Partial<Record<StepChange['do'], BenchStep['state']>> = {
  start: 'running',
  finish: 'done',
  skip: 'skipped',
  split: 'open',
  redo: 'open',
  undo: 'open',
}

/** A day at the bench: what is to be done, the kept plan, a proposal that has moved nothing yet. */
export const useBench = defineStore('bench', {
  state: () => ({
    day: format(new Date(), 'yyyy-MM-dd'),
    /** the day that was asked for last */
    wanted: null as string | null,
    state: null as BenchState | null,
    proposal: null as Schedule | null,
    planning: false,
    trouble: '',
    said: '',
    minute: '',
    asked: 0,
    /** by day: how many changes of its plan the server has not answered yet, and the plan with all */
    waiting: new Map<string, { count: number; plan: DayPlan }>(),
    /** by day: the version of its plan that the server is known to hold */
    versions: {} as Record<string, number>,
    /** by day: the plan that the next change of it is made from */
    known: {} as Record<string, DayPlan>,
    chain: Promise.resolve() as Promise<void>,
  }),
  getters: {
    plan: (s): DayPlan => s.state?.plan.plan ?? EMPTY_PLAN,
    isToday: (s) => s.state?.day === s.state?.today,
    onDuty(): string[] {
      return (this.state?.people ?? [])
        .map((p) => p.name)
        .filter((n) => this.plan.onDuty?.includes(n) ?? true)
    },
    /** Rows of those who fit and of those at the bench, among those on duty. */
    fitterRows(): number[] {
      return this.onDuty.flatMap((n, i) =>
        this.state!.people.find((p) => p.name === n)!.role === 'bench' ? [] : [i],
      )
    },
    /** jobs of this day, and those that are not */
    sorted(): { here: BenchJobRow[]; others: BenchJobRow[] } {
      return jobsOfDay(this.state?.jobs ?? [], {
        day: this.state?.day ?? '',
        isToday: this.isToday,
        visits: this.state?.visits ?? [],
        byHand: this.plan.jobs,
      })
    },
    jobsOfDay(): BenchJobRow[] {
      return this.sorted.here
    },
    otherJobs(): BenchJobRow[] {
      return this.sorted.others
    },
    clock(): (moment: string) => string | null {
      const day = this.state?.day
      return (moment) =>
        format(new Date(moment), 'yyyy-MM-dd') === day ? format(new Date(moment), 'HH:mm') : null
    },
    built(): BenchDay | null {
      if (!this.state) return null
      const { visits, resources, day } = this.state
      return benchDay(
        {
          day,
          resources,
          people: this.onDuty.length,
          jobs: this.jobsOfDay.map(({ id, steps, promisedOn, promisedAt }) => ({
            id,
            steps,
            ...(promisedOn && { promisedOn }),
            ...(promisedAt && { promisedAt }),
          })),
          visits: visits.map((v) => ({
            id: v.id,
            job: v.job,
            from: format(new Date(v.startsAt), 'HH:mm'),
            minutes: v.minutes,
            state: v.state,
          })),
          own: this.plan.own,
          pinned: this.plan.pinned,
          ...(this.isToday && this.minute && { now: this.minute }),
        },
        this.clock,
      )
    },
    stepsOf(): Map<string, BenchStep[]> {
      return new Map((this.state?.jobs ?? []).map((j) => [j.id, j.steps]))
    },
    /**
     * What is shown: the kept plan as it stands now, or the first proposal while nothing is kept.
     */
    shown(): ShownStep[] {
      if (!this.built) return []
      const kept = this.plan.steps.length || !this.proposal ? this.plan.steps : this.proposal.steps
      return shownPlan(this.built, kept, this.stepsOf, this.clock)
    },
    naming(): Naming {
      const resources = new Map((this.state?.resources ?? []).map((r) => [r.id, r.name]))
      return {
        resource: (id) => resources.get(id) ?? id,
        step: (job, step) => `${this.whoOf(job)}, ${this.wordsOf(job, step)}`,
      }
    },
    conflicts(): PlanConflict[] {
      const overdue = this.built?.overdue ?? []
      return this.built
        ? planConflicts(this.built.day, this.shown, this.naming).filter(
            (c) => c.kind !== 'late' || !overdue.includes(c.job),
          )
        : []
    },
    figures(): ReturnType<typeof planFigures> {
      return this.built
        ? planFigures(this.built.day, this.shown, this.built.overdue)
        : { waitingMin: 0, lateMin: 0, end: null }
    },
    missing(): number {
      return this.built ? missingSteps(this.built.day, this.shown) : 0
    },
    moves(): ReturnType<typeof movesOf> {
      return this.proposal && this.plan.steps.length ? movesOf(this.shown, this.proposal.steps) : []
    },
    whoOf(): (job: string) => string {
      return (id) => {
        const job = this.state?.jobs.find((j) => j.id === id)
        if (job) return job.name?.split(' ')[0] ?? job.code
        const visit = this.state?.visits.find((v) => visitJob(v.id) === id)
        if (visit) return visit.name?.split(' ')[0] ?? visit.code
        return this.plan.own.find((o) => ownJob(o.id) === id)?.name ?? id
      }
    },
    wordsOf(): (job: string, step: string) => string {
      return (id, key) => {
        const step = this.stepsOf.get(id)?.find((s) => s.key === key)
        if (step) return `${step.words}${step.foot ? `, ${step.foot}` : ''}`
        return (
          this.state?.visits.find((v) => visitJob(v.id) === id || v.job === id)?.reason ||
          (id.startsWith('own ') ? 'own work' : 'visit')
        )
      }
    },
  },
  actions: {
    tick() {
      this.minute = format(new Date(), 'HH:mm')
    },
    /** Reads a day; `anew` takes its plan even where one is being kept here. */
    async load(on?: string, anew = false) {
      const day = on ?? this.wanted ?? this.day
      this.wanted = day
      this.tick()
      try {
        const state = await useLine().read<BenchState>(`bench?day=${day}`)
        // Another day was asked for meanwhile: its answer counts, whichever comes first.
        if (this.wanted !== day) return
        if (this.day !== day) this.proposal = null
        this.day = day
        const known = anew ? 0 : (this.versions[day] ?? 0)
        this.versions[day] = Math.max(known, state.plan.version)
        this.state = anew ? state : { ...state, plan: this.newest(state) }
        if (anew || !this.waiting.has(day)) this.known[day] = plainCopy(this.state.plan.plan)
        this.trouble = ''
        if (this.needsPlan()) await this.propose(this.plan.steps.length > 0)
      } catch (error) {
        this.trouble = (error as Error).message
      }
    },
    /**
     * The plan to show of an answer: changes that are still being kept stand, also when the day was
     * left and is opened again; so does what is newer here than an answer that was asked for before.
     */
    newest({ day, plan }: BenchState): PlanRow {
      const mine = this.waiting.get(day)
      if (mine) return { ...plan, plan: mine.plan }
      const here = this.state
      return here?.day === day && plan.version < here.plan.version ? here.plan : plan
    },
    /** Nothing is kept yet, something is new, or what is kept cannot be done any more. */
    needsPlan(): boolean {
      return (
        this.plan.steps.length === 0 ||
        this.missing > 0 ||
        this.conflicts.some((c) => c.kind !== 'late')
      )
    },
    /**
     * Makes a plan from how things stand; nothing moves before it is taken. The newest question
     * wins.
     */
    async propose(quick: boolean) {
      if (!this.built || this.built.day.jobs.length === 0) {
        this.proposal = null
        return
      }
      if (this.planning) stopScheduling()
      const mine = ++this.asked
      this.planning = true
      try {
        const answer = await scheduleWorker().plan(
          plainCopy(this.built.day),
          this.plan.steps.length ? plainCopy(this.plan.steps) : null,
          quick,
        )
        if (mine === this.asked) this.proposal = answer
      } catch (error) {
        if (mine === this.asked) this.trouble = (error as Error).message
      } finally {
        if (mine === this.asked) this.planning = false
      }
    },
    stopPlanning() {
      stopScheduling()
      this.asked++
      this.planning = false
    },
    /**
     * Makes a change of the plan on the screen at once and keeps it, one after the other, so that
     * quick keys do not overtake each other.
     */
    keep(change: (plan: DayPlan) => DayPlan, said: string): Promise<void> {
      // Another day may be looked at before this one is sent.
      const { day } = this
      const plan = plainCopy(change(this.plan))
      this.state = { ...this.state!, plan: { ...this.state!.plan, plan } }
      this.waiting.set(day, { count: (this.waiting.get(day)?.count ?? 0) + 1, plan })
      this.chain = this.chain.then(async () => {
        try {
          // What was overtaken while it waited goes along with the last one of its day.
          if (this.waiting.get(day)!.count === 1) await this.send(day, plan, said)
        } catch (error) {
          const { message } = error as Error
          if (this.day === day) await this.load(day, true)
          this.trouble = this.day === day ? message : `${day}: ${message}`
        } finally {
          const { count, plan: newest } = this.waiting.get(day)!
          if (count === 1) this.waiting.delete(day)
          else this.waiting.set(day, { count: count - 1, plan: newest })
        }
      })
      return this.chain
    },
    /** Sends a plan, and shows the server's own unless a later change has been made here. */
    async send(day: string, plan: DayPlan, said: string) {
      const version = this.versions[day] ?? 0
      const sent = await useOutbox().write<PlanRow>({
        method: 'PUT',
        path: 'bench/plan',
        body: { day, version, was: this.known[day] ?? EMPTY_PLAN, plan },
        words: `bench plan of ${day}`,
      })
      this.known[day] = plan
      if ('waits' in sent) return void (this.said = KEPT_HERE)
      const kept = sent.answer
      this.versions[day] = kept.version
      this.known[day] = kept.plan
      const isLast = this.waiting.get(day)!.count === 1
      if (this.state?.day === day)
        this.state = {
          ...this.state,
          plan: isLast ? kept : { ...this.state.plan, version: kept.version },
        }
      this.said = said
      this.trouble = ''
    },
    async take() {
      if (!this.proposal) return
      const steps: PlacedStep[] = this.proposal.steps
      await this.keep((plan) => ({ ...plan, steps }), 'Plan kept')
      this.proposal = null
    },
    /**
     * Changes something of the day that a plan must answer to: on duty, own work, jobs put on or
     * off.
     */
    async change(part: Partial<DayPlan>, said: string) {
      const kept = this.keep((plan) => ({ ...plan, ...part }), said)
      // What was proposed before knows nothing of it: nobody takes that any more.
      const again = this.plan.steps.length > 0
      if (again) this.proposal = null
      // A job from far away comes with its steps only once it is on this day.
      if (this.jobsOfDay.some((job) => job.handsMin !== undefined)) {
        await kept
        await this.load()
      }
      await Promise.all([kept, this.propose(again)])
    },
    /**
     * Sets a step by hand; it stays there until it is let go. What is wrong with that is shown, not
     * forbidden.
     */
    async set(job: string, step: string, at: string | null) {
      const first = this.proposal?.steps ?? []
      await this.keep(
        (plan) => {
          if (plan.own.some((o) => ownJob(o.id) === job))
            return {
              ...plan,
              own: plan.own.map((o) => (ownJob(o.id) === job ? { ...o, at: at ?? undefined } : o)),
            }
          const pinned = plan.pinned.filter((p) => !(p.job === job && p.step === step))
          return {
            ...plan,
            pinned: at === null ? pinned : [...pinned, { job, step, at }],
            steps: plan.steps.length ? plan.steps : first,
          }
        },
        at === null ? 'Left to the plan' : `Set to ${at}`,
      )
      this.proposal = null
      if (at === null || this.needsPlan()) await this.propose(true)
    },
    /** Starts, ends, splits … a step of a job; a waiting step brings its timer along. */
    async act(
      job: BenchJobRow,
      step: BenchStep,
      change: Omit<StepChange, 'step' | 'foot'>,
    ): Promise<string> {
      try {
        const { command } = stepCommand(job.steps, {
          step: step.step,
          ...(step.foot && { foot: step.foot }),
          ...change,
        })
        const words = `${job.code}: ${change.do} ${step.words.toLowerCase()}`
        const sent = await useQueue().sendTo(job.id, job.jobsVersion, command, words)
        if (sent === 'waits') return this.stands(job, step, change)
        await this.load()
        return typeof sent === 'object' ? sent.refused : ''
      } catch (error) {
        await this.load()
        return (error as Error).message
      }
    },
    /** A step as it will stand once what waits here has gone: shown so until then. */
    stands(job: BenchJobRow, step: BenchStep, change: Omit<StepChange, 'step' | 'foot'>): string {
      useTimers().follow(job.code, job.id, step, change.do, change.minutes)
      const state = STATE_AFTER[change.do] ?? step.state
      const steps = job.steps.map((s) => (s.key === step.key ? { ...s, state } : s))
      const jobs = this.state!.jobs.map((j) => (j.id === job.id ? { ...j, steps } : j))
      this.state = { ...this.state!, jobs }
      this.said = KEPT_HERE
      return ''
    },
  },
})
