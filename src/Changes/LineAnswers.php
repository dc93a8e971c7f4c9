<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;
use MintDoor\Roster\Values;
use MintDoor\Sites\Repository\Sites;

/** What the lines of a change list say on the screen. */
final readonly class LineAnswers
{
    private const CHANGED_SINCE = 'changed-since';

    public function __construct(
        private Roles $roles,
        private SiteDoors $doors,
        private Sections $sections,
        private Sites $sites,
        private LeftBehind $left,
    ) {}

    /**
     * @param array<int, ComputedLine> $lines
     *
     * @return array<int, LineAnswer> by the same keys
     */
    public function of(SiteAccess $access, array $lines): array
    {
        $pieces = $this->left->pieces($access->site->id, $lines);
        $answers = [];
        foreach ($lines as $key => $line) {
            $answers[$key] = $this->one($access, $line, $pieces[$key] ?? 0);
        }

        return $answers;
    }

    /**
     * As lines are kept of what happens at doors: without names of doors, and of the work somebody leaves behind.
     *
     * @param array<int, ComputedLine> $lines
     *
     * @return array<int, LineAnswer> by the same keys
     */
    public function plain(array $lines): array
    {
        $book = $this->roles->book();
        $note = static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values];
        $said = static fn(Note $note): bool => 'work-stays' !== $note->code;
        $answers = [];
        foreach ($lines as $key => $line) {
            $answers[$key] = new LineAnswer(
                $line->personId(),
                PersonRow::name($line->person),
                null,
                $line->change->verdict ?? Verdict::Refused,
                StandingShown::of($line->change?->before, $book),
                StandingShown::of($line->change?->after, $book),
                [],
                array_map($note, $line->change->reasons ?? []),
                array_map($note, array_values(array_filter($line->change->cautions ?? [], $said))),
            );
        }

        return $answers;
    }

    /** @param int $pieces of work somebody leaves behind */
    private function one(SiteAccess $access, ComputedLine $line, int $pieces): LineAnswer
    {
        $book = $this->roles->book();
        $change = $line->change;
        $named = !$line->outside
            && $access->namesOtherSitesOf($line->personId(), $line->person->string('person_division'));
        $note = fn(Note $note): array => [
            'code' => $note->code,
            'values' => (object) Values::json(
                'work-stays' === $note->code ? ['pieces' => $pieces] : $note->values,
                $this->doors->nameOf(...),
                $this->sections->nameOf(...),
                fn(string $site): string => $access->site->id === $site || $named
                    ? $this->sites->find($site)->title ?? ''
                    : '',
            ),
        ];
        // Of somebody of another section nothing is told.
        $hidden = 'other-section' === ($change->reasons[0]->code ?? null)
            && !Sights::of($access)->sees($line->personId(), $change?->before, $book);
        $aside = new Note(null === $line->person->stringOrNull('gone') ? self::CHANGED_SINCE : 'gone');

        return new LineAnswer(
            $line->personId(),
            PersonRow::name($line->person),
            $line->isReady() ? ChangeNotifier::how($line->verb, $line->person) : null,
            $change->verdict ?? Verdict::Refused,
            $hidden ? null : StandingShown::of($change?->before, $book),
            $hidden ? null : StandingShown::of($change?->after, $book),
            null === $change || $hidden ? [] : Stretch::all($change->timeline->from($access->now)->segments, $book),
            array_map($note, null === $change ? [$aside] : $change->reasons),
            array_map($note, $change->cautions ?? []),
        );
    }
}
