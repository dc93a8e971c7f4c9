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

/** All cohorts and connections as the core takes them. */
final readonly class CohortBook
{
    public function __construct(
        private Cohorts $cohorts,
        private CohortLinks $links,
        private FactChanges $changes,
    ) {}

    /**
     * @param ?Cohort    $instead what one cohort is in place of what it is, or that it is there, too
     * @param list<Link> $besides connections that are thought of
     */
    public function web(?Cohort $instead = null, array $besides = []): Web
    {
        $all = [];
        foreach ($this->cohorts->there() as $record) {
            $all[$record->id] = new Cohort($record->id, self::ruleOf($record));
        }
        if (null !== $instead) {
            $all[$instead->id] = $instead;
        }
        $links = array_map(
            static fn(CohortLink $link): Link => new Link($link->cohort->id, $link->site->id),
            $this->links->on(),
        );

        return new Web(array_values($all), [...$links, ...$besides]);
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
