<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Cohorts\Repository\RuleFacts;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\People\Repository\FactChanges;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Transaction;
use Psr\Log\LoggerInterface;

/**
 * Keeps sites in step with cohorts: what became of people is looked at, then what follows for cohorts, then what
 * follows for the sites they are connected to. Each batch is a transaction of its own that takes what it does from a
 * list: it may be killed, run twice, and run on several machines.
 */
final readonly class CohortTicker
{
    private const AT_ONCE = 500;

    /** Of one site in one transaction. */
    private const LINES = 500;

    /** How often what waits is done before, and after, everything is compared. */
    private const ROUNDS = 90;

    /** Seconds after which others have their turn. */
    private const LONGEST = 20;

    public function __construct(
        private Cohorts $cohorts,
        private CohortLinks $links,
        private LinkWorks $work,
        private FactChanges $changes,
        private RuleFacts $facts,
        private CohortBook $book,
        private CohortKeeper $keeper,
        private LinkWorker $worker,
        private PlatformSettings $settings,
        private Roles $roles,
        private Locks $locks,
        private Transaction $transaction,
        private PlatformClock $clock,
        private LoggerInterface $logger,
    ) {}

    /**
     * Does what there is to do.
     *
     * @phpstan-impure
     */
    public function keep(): CohortTally
    {
        $until = microtime(true) + self::LONGEST;
        $this->cohorts->lookAgainUnder($this->settings->version());
        $tally = new CohortTally();
        do {
            $before = clone $tally;
            $this->stale($tally, $until);
            $this->changed($tally, $until);
            $this->links($tally, $until);
        } while ($tally != $before && microtime(true) < $until);

        return $tally;
    }

    /** Looks at everybody where a rule became another. */
    private function stale(CohortTally $tally, float $until): void
    {
        foreach ($this->cohorts->stale() as $id) {
            do {
                $some = $this->safely([], fn(): CohortTally => $this->lookAtNext($id));
                $tally->add($some);
            } while ($some->looked > 0 && microtime(true) < $until);
        }
    }

    private function lookAtNext(string $id): CohortTally
    {
        $tally = new CohortTally();
        $cohort = $this->cohorts->locked($id);
        if (null === $cohort || !$cohort->stale) {
            return $tally;
        }
        $now = $this->clock->instant();
        $rule = CohortBook::ruleOf($cohort) ?? Rule::any();
        $tree = $this->settings->read()->divisions;
        $people = $this->facts->next($rule, $tree, $id, $cohort->lookedTo, $now, self::AT_ONCE);
        if ([] === $people) {
            $cohort->stale = false;
            $cohort->lookedTo = null;
        } else {
            $tally->looked = \count($people);
            $tally->members = $this->look($people, static fn(array $of): array => [$id, ...$of], ["cohort $id"]);
            $cohort->lookedTo = $people[\count($people) - 1];
        }
        $this->cohorts->flush();

        return $tally;
    }

    /** Looks at those of whom something became another. */
    private function changed(CohortTally $tally, float $until): void
    {
        do {
            $numbers = $this->changes->oldest(self::AT_ONCE);
            $some = [] === $numbers
                ? new CohortTally()
                : $this->safely([], fn(): CohortTally => $this->lookAtChanged($numbers));
            $tally->add($some);
        } while ($some->looked > 0 && microtime(true) < $until);
    }

    /** @param list<string> $numbers of what became another */
    private function lookAtChanged(array $numbers): CohortTally
    {
        $tally = new CohortTally();
        $changed = $this->changes->take($numbers);
        $alike = [];
        foreach ($changed as $person => $what) {
            sort($what);
            $alike[implode("\n", $what)][] = (string) $person;
        }
        foreach ($alike as $what => $people) {
            $tally->members += $this->look($people, static fn(array $of): array => $of, explode("\n", (string) $what));
        }
        $tally->looked = \count($changed);

        return $tally;
    }

    /**
     * @param list<string>                               $people  ids
     * @param \Closure(list<string>): list<string> $cohorts those to look at, from those that are touched
     * @param list<string>                               $what    keys of what became another
     *
     * @return int how much of who belongs became another
     */
    private function look(array $people, \Closure $cohorts, array $what): int
    {
        $web = $this->book->web();
        $of = $cohorts($web->touched($what));
        if ([] === $of) {
            return 0;
        }
        // What is changed of them in this moment is seen, or looked at after it.
        $this->locks->people($people, alone: true);

        return $this->keeper->look($web, $people, $of, $this->clock->instant());
    }

    /** Has connections look at those they are to look at. */
    private function links(CohortTally $tally, float $until): void
    {
        foreach ($this->work->links($this->clock->instant()) as $id => $site) {
            do {
                $some = $this->safely([$site], fn(): CohortTally => $this->lookAtLink((string) $id));
                $tally->add($some);
            } while ($some->looked > 0 && microtime(true) < $until);
        }
    }

    /** Those first who may lose what they have: they are many or few beside those who were there before. */
    private function lookAtLink(string $id): CohortTally
    {
        $tally = new CohortTally();
        $link = $this->links->withId($id);
        if (null === $link) {
            return $tally;
        }
        $now = $this->clock->instant();
        $due = $this->work->mayLose($link, $now, self::LINES);
        if ([] === $due) {
            $this->letGo($link, $now);
            $due = $this->work->due($link, $now, self::LINES);
        }
        if ([] !== $due) {
            $tally->looked = \count($due);
            $tally->lines = $this->worker->look($link, $due);
        }

        return $tally;
    }

    /**
     * Looks at everybody of all cohorts and connections, as if nothing were known, and mends what is not as it should
     * be. Where everything was in step it finds nothing.
     *
     * @phpstan-impure
     */
    public function compare(): CohortTally
    {
        // What waits to be done is not what is to be mended.
        $this->keepOn();
        $this->transaction->job([], function (): void {
            $now = $this->clock->instant();
            $this->cohorts->lookAgain();
            foreach ($this->links->on() as $link) {
                $this->work->ask([$link->id => $this->work->everybody($link, $now)], $now);
            }
        });

        return $this->keepOn();
    }

    /** @phpstan-impure */
    private function keepOn(): CohortTally
    {
        $done = new CohortTally();
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $some = $this->keep();
            $done->add($some);
            if (0 === $some->looked) {
                break;
            }
        }

        return $done;
    }

    /**
     * Those who wait, and would lose what they have, go now: unless rules are still looked at, or they are many and
     * nobody said yes.
     */
    private function letGo(CohortLink $link, int $now): void
    {
        $held = $this->work->held($link->id);
        if (0 < $held && ($link->cohort->stale || $this->changes->waits())) {
            return;
        }
        $many = $this->roles->limits()->manyRemoved($held, $this->work->brought($link->door->id, $now));
        $heldAt = $many ? $link->heldAt ?? $now : null;
        if ($link->heldAt !== $heldAt) {
            $link->heldAt = $heldAt;
            $this->links->flush();
        }
        if (0 < $held && !$many) {
            $this->work->agree($link->id, $now);
        }
    }

    /**
     * One that fails leaves the others alone.
     *
     * @param list<string>            $sites ids of those whose people change
     * @param \Closure(): CohortTally $work
     */
    private function safely(array $sites, \Closure $work): CohortTally
    {
        try {
            return $this->transaction->job($sites, $work);
        } catch (\Throwable $thrown) {
            $this->logger->error('A cohort was not kept in step.', ['sites' => $sites, 'exception' => $thrown]);

            return new CohortTally();
        }
    }
}
