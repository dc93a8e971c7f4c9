<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\People\NumberReading;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Roster\OptionsForAlike;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The box Let people in: roster and directory searched at once, and told apart. */
final readonly class IntakeController
{
    /** Rows in each list; `more` says when there would be others. */
    private const MOST = ['alreadyHere' => 6, 'wasHere' => 6, 'blocked' => 4, 'canBeLetIn' => 10];

    public function __construct(
        private Gate $gate,
        private Directory $directory,
        private Roles $roles,
        private Candidates $candidates,
        private Caring $caring,
        private Lookups $lookups,
        private OutsideReach $outside,
        private Sights $sights,
    ) {}

    #[Route('/sites/{site}/intake', name: 'intake', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function find(string $site, #[CurrentUser] Caller $caller, #[MapQueryParameter] string $q = ''): Response
    {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::LetIn, 'shared.not-let-people-into');
        $lists = array_fill_keys(array_keys(self::MOST), []);
        $more = array_fill_keys(array_keys(self::MOST), false);
        $query = PeopleQuery::of($q);
        $rows = $query->tooShort() ? [] : $this->ranked($this->directory->find($query, $site), $query, $access);
        $rows = array_values(array_filter($rows, fn(Row $row): bool => $this->sights->seesRow($access, $row)));
        $reach = [] === $rows ? null : $this->directory->reachOf($caller);
        $here = array_values(array_filter($rows, static fn(Row $row): bool => null !== $row->stringOrNull('state')));
        $whole = $this->caring->known($here, $caller, $access->site->division, $reach);
        $options = new OptionsForAlike($this->roles->book(), $access);
        foreach ($rows as $row) {
            $segment = null === $row->stringOrNull('state') ? null : SegmentRow::segment($row);
            $exactly = $query->names(PersonRow::identifiers($row));
            $proven = $query->names(PersonRow::proofs($row));
            $visibility = match (true) {
                isset($whole[$row->id('person_id')]) => PersonVisibility::Full,
                null !== $segment => PersonVisibility::Masked,
                default => $reach?->visibility(PersonRow::person($row), $proven) ?? PersonVisibility::Hidden,
            };
            // Beyond one's reach a person is found by name, or by an identifier in full, never by the beginning of one.
            if (
                PersonVisibility::Hidden === $visibility
                || (PersonVisibility::Masked === $visibility && !$exactly && !$query->matchesNames(
                    PersonRow::names($row)
                ))
            ) {
                continue;
            }
            $list = $this->listOf($segment);
            if (\count($lists[$list]) >= self::MOST[$list]) {
                $more[$list] = true;
            } else {
                $asks =
                    null !== $reach
                    && PersonVisibility::Masked === $visibility
                    && true !== $segment?->state->here()
                    && $this->outside->asks($row, $q, $access, $reach);
                $lists[$list][] = $this->candidates->shown(
                    new PersonSeen($row, $visibility),
                    $segment,
                    $access,
                    $options,
                    $asks,
                );
            }
        }

        $found = array_filter($rows, static fn(Row $row): bool => $query->names(PersonRow::proofs($row)));
        $shown = array_sum(array_map(\count(...), $lists)) > 0;
        $this->lookups->count(!$shown || [] === $found ? [$query->identifier] : [], $caller);

        return new Answer([...$lists, 'more' => $more, 'slip' => $this->slip($query)]);
    }

    /** The format of a number whose check digit shows a slip, null where there is none. */
    private function slip(PeopleQuery $query): ?string
    {
        $slip = null;
        foreach ($this->roles->rules()->numbers as $format) {
            match ($format->read($query->identifier)) {
                NumberReading::Fits => ($slip = false),
                NumberReading::WrongCheckDigit => ($slip ??= $format->name),
                default => null,
            };
        }

        return false === $slip ? null : $slip;
    }

    private function listOf(?Segment $segment): string
    {
        return match (true) {
            null === $segment => 'canBeLetIn',
            $segment->state->here() => 'alreadyHere',
            State::Blocked === $segment->state => 'blocked',
            default => 'wasHere',
        };
    }

    /**
     * Best first: how well the name fits, then those the site is for, then by name.
     *
     * @param list<Row> $rows
     *
     * @return list<Row>
     */
    private function ranked(array $rows, PeopleQuery $query, SiteAccess $access): array
    {
        $keys = [];
        foreach ($rows as $index => $row) {
            $person = PersonRow::person($row);
            $ofSite =
                ($person->division === $access->site->division ? 2 : 0)
                + (null !== $person->level && true === $access->site->levels?->contains($person->level) ? 1 : 0);
            $keys[$index] = [
                -$query->score($row->list('terms'), PersonRow::identifiers($row)),
                -$ofSite,
                $row->string('sort_name'),
                $person->id,
            ];
        }
        asort($keys);

        return array_map(static fn(int $index): Row => $rows[$index], array_keys($keys));
    }
}
