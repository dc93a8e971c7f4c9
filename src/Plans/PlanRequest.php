<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** What a plan is to do. Days are of the site's time zone; the last one is included. */
final readonly class PlanRequest
{
    public const MOST_SECTIONS = 100;

    /**
     * @param list<PlanSectionRequest> $sections
     * @param 'nobody'|'few'|'all'     $moves who of those in one of them may go to another
     * @param list<string>             $stays ids of people who stay where they are all the same
     * @param list<list<string>>       $together ids of people who are in one section
     * @param list<list<string>>       $apart ids of people of whom no two are in one section
     * @param list<BalanceRequest>     $balances
     */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: self::MOST_SECTIONS,
            minMessage: 'plans.choose-section',
            maxMessage: 'plans.fewer-sections',
        )]
        #[Assert\Valid] public array $sections,
        #[Assert\Choice(['nobody', 'few', 'all'], message: 'plans.who-moves')] public string $moves = 'nobody',
        #[Assert\Count(max: 5_000, maxMessage: 'plans.fewer-stay')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $stays = [],
        /** Days on which learners say what they wish; null where nobody is asked. */
        #[Assert\Date(message: 'shared.write-first-day-year')] public ?string $wishesFrom = null,
        #[Assert\Date(message: 'shared.write-last-day-year')] public ?string $wishesUntil = null,
        #[GroupsOfPeople] public array $together = [],
        #[GroupsOfPeople] public array $apart = [],
        #[Assert\Count(max: 3, maxMessage: 'plans.fewer-balances')]
        #[Assert\Valid] public array $balances = [],
    ) {}
}
