<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** Cohorts, or rosters of other sites, and the sites they are to be connected to: each with each. */
final readonly class ConnectRequest
{
    public const MOST = 50;

    public const LEAVES = ['at-once', 'days', 'term'];

    /**
     * @param list<string>               $cohorts ids
     * @param list<SharedRequest>        $shared  rosters of other sites, in place of cohorts
     * @param list<string>               $sites   ids
     * @param ?string                    $section id, where there is one site
     * @param 'at-once'|'days'|'term'    $leaves  when whoever no longer belongs loses access
     * @param list<string>               $again   ids of those who are to come though staff took them out before
     * @param bool                       $apply   whether it is done, or only said what would come of it
     */
    public function __construct(
        #[Assert\Count(min: 1, max: self::MOST, minMessage: 'cohorts.choose-site', maxMessage: 'cohorts.fewer-sites')]
        public array $sites,
        public string $role,
        #[Assert\Count(max: self::MOST, maxMessage: 'cohorts.fewer-cohorts')] public array $cohorts = [],
        #[Assert\Count(max: self::MOST, maxMessage: 'cohorts.fewer-cohorts')]
        #[Assert\Valid] public array $shared = [],
        public ?string $section = null,
        /** Whether each is put into the section with the fewest learners that has room. */
        public bool $spread = false,
        #[Assert\Date(message: 'cohorts.write-day')] public ?string $from = null,
        #[Assert\Choice(self::LEAVES, message: 'cohorts.say-leaves')] public string $leaves = 'at-once',
        #[Assert\Range(notInRangeMessage: 'cohorts.days-1-366', min: 1, max: 366)] public ?int $days = null,
        #[Assert\Count(max: 10_000, maxMessage: 'cohorts.fewer-people')] public array $again = [],
        public bool $apply = false,
    ) {}
}
