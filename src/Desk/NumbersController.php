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
        $rows = $this->numbers->of($caller->numbersOf(), $filter, $now, $now - self::DAYS * 86_400);
        $sites = $sums = [];
        foreach ($rows as $row) {
            $own = $caller->administers($row->string('division_code'));
            $told = $own || SmallNumbers::may($row->int('learners'));
            $sums[$row->string('division_code')][] = $row;
            $sites[] = new NumbersOfSite(
                id: $row->id('id'),
                title: $row->string('title'),
                kind: $row->string('kind'),
                division: new Named($row->string('division_code'), $row->string('division_name')),
                term: $row->stringOrNull('term_name'),
                state: SiteRow::site($row)->stateAt($now)->value,
                seats: $row->intOrNull('seats'),
                learners: $row->int('learners'),
                staff: $row->int('staff'),
                waiting: $row->int('waiting'),
                lately: $told ? $row->int('lately') : null,
                never: $told ? $row->int('never') : null,
                opens: $own,
            );
        }
        $divisions = array_map(self::sum(...), array_values($sums));
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

    /** @param non-empty-list<Row> $rows of the sites of one division */
    private static function sum(array $rows): NumbersOfDivision
    {
        $all = static fn(string $column): int => array_sum(
            array_map(static fn(Row $row): int => $row->int($column), $rows),
        );
        $came = SmallNumbers::sum(
            array_map(
                static fn(Row $row): array => ['people' => $row->int('learners'), 'did' => $row->int('lately')],
                $rows,
            ),
        );

        return new NumbersOfDivision(
            new Named($rows[0]->string('division_code'), $rows[0]->string('division_name')),
            \count($rows),
            $all('learners'),
            $all('staff'),
            $all('waiting'),
            $came['people'],
            $came['did'],
        );
    }
}
