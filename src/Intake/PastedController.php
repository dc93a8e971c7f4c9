<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\Nicknames;
use MintDoor\Core\Intake\PastedLine;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\Folding;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\Sight;
use MintDoor\Core\Roles\Permission;
use MintDoor\Hall\Answer;
use MintDoor\Hall\Caller;
use MintDoor\Hall\Id;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Row;
use MintDoor\People\Directory;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Sites\Divisions;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Reads pasted lines: whom each of them means, whom it may mean, and which mean nobody. Changes nothing. */
final readonly class PastedController
{
    public function __construct(
        private Gate $gate,
        private Directory $directory,
        private Lookup $lookup,
        private SettledLines $settled,
        private Divisions $divisions,
        private Roles $roles,
        private Candidates $candidates,
    ) {
    }

    #[Route('/sites/{site}/intake', name: 'read_lines', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function read(string $site, #[MapRequestPayload] PastedWish $wish, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'You may not let people into this site. Its leads and co-tutors can.');
        $rules = $this->roles->rules();
        $role = null === $wish->role ? null : ($rules->roles->find($wish->role) ?? throw Problem::field('/role', 'no-such-role', 'There is no such role any more. Choose another.'));
        $divisions = $this->divisions->all();
        $lines = (new PastedText($rules->numbers, array_map(static fn (array $each): string => $each['name'], $divisions)))->lines($wish->text);
        if (\count($lines) > PastedWish::MOST_LINES) {
            throw Problem::field('/text', 'too-many', \sprintf('%s lines are more than fit on a sheet. Paste %s at most, and the rest on a sheet of its own.', number_format(\count($lines)), number_format(PastedWish::MOST_LINES)));
        }
        $remembered = $this->settled->of($site, array_map(static fn (PastedLine $line): string => $line->gist(), $lines));
        $wording = $this->lookup->wording($lines, new Nicknames($rules->nicknames));
        $matcher = new Matcher($rules->numbers, $wording);
        [$found, $crowded] = $this->lookup->people($lines, $wording, $matcher, $site, $divisions[$access->site->division]['id'], array_values($remembered));
        [$rows, $sights, $known] = $this->within($found, $lines, $caller);
        $for = new Circumstances($access->site, $role->for ?? [PersonKind::Learner, PersonKind::Staff], $remembered, $crowded);

        return new Answer(['items' => array_map(fn (Reading $reading): array => $this->json($reading, $rows, $sights, $access, $for), $matcher->read($lines, $known, $for))]);
    }

    /**
     * Those one may be told of. Beyond one's reach an identifier counts when it is there in full, never when it is near.
     *
     * @param list<Row>        $found
     * @param list<PastedLine> $lines
     *
     * @return array{array<string, Row>, array<string, Sight>, list<Known>} by person
     */
    private function within(array $found, array $lines, Caller $caller): array
    {
        $reach = $this->directory->reachOf($caller);
        $typed = array_fill_keys(array_merge(...array_map(static fn (PastedLine $line): array => $line->identifiers, $lines) ?: [[]]), true);
        $rows = $sights = $known = [];
        foreach ($found as $row) {
            $person = PersonRow::person($row);
            $own = array_map(Folding::identifier(...), PersonRow::identifiers($row));
            $exact = array_values(array_filter($own, static fn (string $identifier): bool => isset($typed[$identifier])));
            $sight = null !== $row->stringOrNull('state') ? Sight::Full : $reach->sight($person, [] !== $exact);
            if (Sight::Hidden !== $sight) {
                $rows[$person->id] = $row;
                $sights[$person->id] = $sight;
                $words = static fn (string $column): array => Folding::tokens((string) $row->stringOrNull($column));
                $known[] = new Known($person, $words('given_name'), $words('family_name'), $words('preferred_name'), $words('former_name'), Sight::Full === $sight ? $own : $exact);
            }
        }

        return [$rows, $sights, $known];
    }

    /**
     * @param array<string, Row>   $rows   by person
     * @param array<string, Sight> $sights by person
     *
     * @return array<string, mixed> schema `PastedLine`
     */
    private function json(Reading $reading, array $rows, array $sights, SiteAccess $access, Circumstances $for): array
    {
        return [
            'number' => $reading->line->number,
            'text' => $reading->line->text,
            'gist' => $reading->line->gist(),
            'outcome' => $reading->outcome->value,
            'mistyped' => $reading->mistyped,
            'decided' => $reading->decided?->value,
            'repeats' => $reading->repeats,
            'candidates' => array_map(function (Candidate $each) use ($rows, $sights, $access, $for): array {
                $person = $each->known->person;
                $row = $rows[$person->id];

                return [
                    ...array_diff_key($this->candidates->json($row, null === $row->stringOrNull('state') ? null : SegmentRow::segment($row), $sights[$person->id], $access, false), ['options' => 1]),
                    'evidence' => $each->evidence->value, 'remembered' => $each->remembered, 'wanted' => $for->wanted($person),
                ];
            }, $reading->candidates),
        ];
    }
}
