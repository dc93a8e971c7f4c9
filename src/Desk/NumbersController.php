<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roster\SmallNumbers;
use MintDoor\Desk\Repository\SiteNumbers;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Named;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Sites in numbers, for administrators and for those who may look at numbers and nothing else. */
final readonly class NumbersController
{
    private const DAYS = 14;

    /** Sites in one answer; sums are of all. */
    private const MOST = 2_000;

    public function __construct(private SiteNumbers $numbers, private PlatformClock $clock) {}

    #[Expensive]
    #[Route('/numbers', name: 'numbers', methods: ['GET'])]
    public function numbers(#[CurrentUser] Caller $caller, #[FromQuery] NumbersFilter $filter): Response
    {
        if (!$caller->readsNumbers()) {
            throw Problem::notAllowed('desk.only-some-see-numbers');
        }
        $now = $this->clock->instant();
        $rows = $this->numbers->sites($caller->numbersOf(), $filter, $now);
        $counted = $this->numbers->counted(
            array_map(static fn(Row $row): string => $row->id('id'), $rows),
            $now,
            $now - self::DAYS * 86_400,
        );
        $sites = $sums = $names = [];
        foreach ($rows as $row) {
            $count = $counted[$row->id('id')] ?? new SiteCounted();
            $own = $caller->administers($row->string('division_code'));
            $told = $own || SmallNumbers::may($count->learners);
            $division = new Named($row->string('division_code'), $row->string('division_name'));
            $sums[$division->code][] = $count;
            $names[$division->code] = $division;
            $sites[] = new NumbersOfSite(
                id: $row->id('id'),
                title: $row->string('title'),
                kind: $row->string('kind'),
                division: $division,
                term: $row->stringOrNull('term_name'),
                state: SiteRow::site($row)->stateAt($now)->value,
                seats: $row->intOrNull('seats'),
                learners: $count->learners,
                staff: $count->staff,
                waiting: $count->waiting,
                lately: $told ? $count->lately : null,
                never: $told ? $count->never : null,
                opens: $own,
            );
        }
        $divisions = array_map(self::sum(...), array_values($names), array_values($sums));
        usort(
            $divisions,
            static fn(NumbersOfDivision $a, NumbersOfDivision $b): int => $a->division->name <=> $b->division->name,
        );

        return new Answer(new NumbersAnswer(
            $divisions,
            \array_slice($sites, 0, self::MOST),
            \count($sites) > self::MOST,
            $caller->platformAdministrator ? 0 : SmallNumbers::LEAST,
            self::DAYS,
        ));
    }

    /** @param non-empty-list<SiteCounted> $counts of the sites of one division */
    private static function sum(Named $division, array $counts): NumbersOfDivision
    {
        $came = SmallNumbers::sum(
            array_map(
                static fn(SiteCounted $each): array => ['people' => $each->learners, 'did' => $each->lately],
                $counts,
            ),
        );

        return new NumbersOfDivision(
            $division,
            \count($counts),
            array_sum(array_column($counts, 'learners')),
            array_sum(array_column($counts, 'staff')),
            array_sum(array_column($counts, 'waiting')),
            $came['people'],
            $came['did'],
        );
    }
}
