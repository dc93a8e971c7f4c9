<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort as CohortRecord;
use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\Core\Cohorts\Cohort;
use MintDoor\Core\Cohorts\Link;
use MintDoor\Core\Cohorts\Rule;
use MintDoor\Core\Cohorts\Web;
use MintDoor\People\Repository\FactChanges;

/** All cohorts and connections as the core takes them. Kept for as long as none of them is changed. */
final class CohortBook
{
    private ?Web $web = null;

    private string $of = '';

    public function __construct(
        private readonly Cohorts $cohorts,
        private readonly CohortLinks $links,
        private readonly FactChanges $changes,
    ) {}

    public function web(): Web
    {
        $now = $this->cohorts->fingerprint();
        if (null === $this->web || $this->of !== $now) {
            [$this->web, $this->of] = [new Web(array_values($this->all()), $this->connections()), $now];
        }

        return $this->web;
    }

    /** The same, with one cohort in place of what it is, or there, too. */
    public function webWith(Cohort $cohort): Web
    {
        return new Web(array_values([...$this->all(), $cohort->id => $cohort]), $this->connections());
    }

    /** @return array<string, Cohort> by id */
    private function all(): array
    {
        $all = [];
        foreach ($this->cohorts->there() as $record) {
            $all[$record->id] = new Cohort($record->id, self::ruleOf($record));
        }

        return $all;
    }

    /** @return list<Link> */
    private function connections(): array
    {
        return array_map(
            static fn(CohortLink $link): Link => new Link($link->cohort->id, $link->site()->id),
            $this->links->on(),
        );
    }

    /** What a cohort follows; null for a list. Nobody belongs to one of a division who is not of it. */
    public static function ruleOf(CohortRecord $record): ?Rule
    {
        return null === $record->rule
            ? null
            : self::within($record->division?->code, RuleCodec::read($record->rule));
    }

    /** @param ?string $division code; null for the whole platform */
    public static function within(?string $division, Rule $rule): Rule
    {
        return null === $division ? $rule : Rule::all(Rule::divisions($division), $rule);
    }

    /** From now on what rules read is watched, and nothing else. Called whenever a rule became another. */
    public function watch(): void
    {
        $what = [];
        foreach ($this->cohorts->there() as $record) {
            foreach (self::ruleOf($record)?->reads() ?? [] as $source) {
                if ('cohort' !== $source->kind) {
                    $what[$source->key()] = true;
                }
            }
        }
        $this->changes->watch(array_map(strval(...), array_keys($what)));
    }
}
