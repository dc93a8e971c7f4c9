<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Joint;
use MintDoor\Core\Plans\Plan;
use MintDoor\Core\Plans\Question;
use MintDoor\Core\Plans\Why;
use MintDoor\Plans\Entity\SitePlan;

/** What is computed in one go: the plan of a site, or those of several that are planned together. */
final readonly class Asked
{
    /**
     * @param array<string, SitePlan> $plans     by site, first that of whoever asks
     * @param array<string, Question> $questions by site
     * @param list<list<string>>      $sameTime  pairs of sections of several sites that meet at the same time
     */
    public function __construct(public array $plans, private array $questions, private array $sameTime) {}

    public function question(): Question
    {
        return \count($this->questions) > 1
            ? Question::together($this->questions, $this->sameTime)
            : array_values($this->questions)[0];
    }

    private function record(): PlanRecord
    {
        // Each site keeps its own lot, whatever it is planned with.
        $seeds = [];
        foreach (\count($this->questions) > 1 ? $this->questions : [] as $site => $question) {
            foreach ($question->sections as $section) {
                $seeds[$section->id] = (string) $this->plans[$site]->seed;
            }
        }

        return PlanRecord::of($this->question(), $seeds);
    }

    /** @param ?\Closure(int, int): bool $goesOn as of `Planner` */
    public function plan(?\Closure $goesOn = null): Plan
    {
        return $this->record()->plan((string) array_values($this->plans)[0]->seed, $goesOn);
    }

    /** @return array<string, Outcome> by site */
    public function outcomes(Plan $plan): array
    {
        $record = $this->record();
        if (1 === \count($this->questions)) {
            $why = Why::all($this->question(), $plan);

            return [array_keys($this->questions)[0] => new Outcome($why, $plan->proven, $plan->better, $record)];
        }
        $outcomes = [];
        foreach (Joint::why($this->questions, $this->question(), $plan) as $site => $why) {
            $outcomes[$site] = new Outcome(
                $why,
                $plan->proven,
                $plan->better,
                $record,
                array_map(strval(...), array_keys($this->questions)),
                $plan->places,
            );
        }

        return $outcomes;
    }
}
