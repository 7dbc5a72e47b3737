/** Plans days, works out what they need to know of their models, and writes their calendars, beside the page. */
import type { DayPlan, DayProblem } from '#core/days/dayProblem';
import { heatForecast, type HeatAsked, type HeatForecast } from '#core/days/heatForecast';
import { planDay } from '#core/days/planDay';
import { droppedFrom, type Dropped } from '#core/days/planReasons';
import { rigFacts, type FactsAsked } from '#core/days/rigFacts';
import type { RigFacts } from '#core/days/day';
import { suggestedQuestions, type Suggested } from '#core/days/suggest';
import { whatMatters, type MattersRequest, type Mover } from '#core/sensitivity/matters';
import { calendarFile } from '#formats/calendar';
import { expose } from 'comlink';

const worker = {
  plan(problem: DayProblem): { plan: DayPlan; dropped: Dropped[] } {
    const plan = planDay(problem);
    return { plan, dropped: droppedFrom(problem, plan) };
  },

  /** @returns a sentence where they cannot be worked out */
  facts(asked: FactsAsked): RigFacts | string {
    try {
      return rigFacts(asked);
    } catch (error) {
      return (error as Error).message;
    }
  },

  /** @returns undefined where the rig's own numbers lead nowhere */
  forecast(asked: HeatAsked): HeatForecast | undefined {
    try {
      return heatForecast(asked);
    } catch {
      return undefined;
    }
  },

  /** @returns none where the rig cannot be driven */
  suggest(asked: MattersRequest): Suggested[] {
    try {
      return suggestedQuestions(asked.rig, asked.profile, asked.stops, allMovers(asked));
    } catch {
      return [];
    }
  },

  calendar: calendarFile,
};

function allMovers(asked: MattersRequest): Mover[] {
  const steps = whatMatters(asked);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

export type DaysWorker = typeof worker;

expose(worker);
