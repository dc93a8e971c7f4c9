<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Intake\Lookups;
use MintDoor\Intake\PersonSeen;
use MintDoor\People\PersonLabelled;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\Labels;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Finding people of one's reach, by whatever of theirs was typed, and by label. */
final readonly class PeopleController
{
    private const MOST = 12;

    /** Bearers of a label looked at. */
    private const MOST_LABELLED = 400;

    public function __construct(
        private Directory $directory,
        private Labels $labels,
        private Lookups $lookups,
    ) {}

    #[Route('/people', name: 'people', methods: ['GET'])]
    public function find(
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] string $q = '',
        #[MapQueryParameter] string $label = '',
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('shared.only-staff-look-people');
        }
        $query = PeopleQuery::of($q);
        $reach = $this->directory->reachOf($caller);
        $found = [];
        foreach (
            '' !== $label
                ? $this->directory->labelled($label, self::MOST_LABELLED)
                : ($query->tooShort()
                    ? []
                    : $this->directory->find($query, Id::NONE)) as $row
        ) {
            $exactly = $query->names(PersonRow::identifiers($row));
            $visibility = $reach->visibility(PersonRow::person($row), $query->names(PersonRow::proofs($row)));
            $named = $exactly || $query->matchesNames(PersonRow::names($row));
            // A label says something of a person: only within one's reach may they be found by it.
            if (
                PersonVisibility::Full === $visibility
                    ? '' === $label || $query->tooShort() || $named
                    : '' === $label && PersonVisibility::Masked === $visibility && $named
            ) {
                $found[] = new PersonSeen($row, $visibility);
            }
        }
        $this->lookups->count('' === $label && [] === $found ? [$query->identifier] : [], $caller);
        $rank = static fn(PersonSeen $each): array => [
            -$query->score($each->row->list('terms'), PersonRow::identifiers($each->row)),
            $each->row->string('sort_name'),
        ];
        usort($found, static fn(PersonSeen $a, PersonSeen $b): int => $rank($a) <=> $rank($b));
        $shown = \array_slice($found, 0, self::MOST);
        $whole = array_filter(
            $shown,
            static fn(PersonSeen $each): bool => PersonVisibility::Full === $each->visibility
        );
        $ids = array_map(static fn(PersonSeen $each): string => $each->row->id('person_id'), array_values($whole));
        $labels = $this->labels->ofPeople($ids);

        return new Answer([
            'items' => array_map(
                static fn(PersonSeen $each): PersonLabelled => new PersonLabelled(
                    $each->shown(),
                    $labels[$each->row->id('person_id')] ?? [],
                ),
                $shown,
            ),
            'more' => \count($found) > self::MOST,
        ]);
    }
}
