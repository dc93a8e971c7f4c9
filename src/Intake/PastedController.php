<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Known;
use MintDoor\Core\Intake\Matcher;
use MintDoor\Core\Intake\PastedText;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\Folding;
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
        private Roles $roles,
        private Candidates $candidates,
    ) {
    }

    #[Route('/sites/{site}/intake', name: 'read_lines', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function read(string $site, #[MapRequestPayload] PastedWish $wish, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'You may not let people into this site. Its leads and co-tutors can.');
        $formats = $this->roles->rules()->numbers;
        $lines = (new PastedText($formats))->lines($wish->text);
        if (\count($lines) > PastedWish::MOST_LINES) {
            throw Problem::field('/text', 'too-many', \sprintf('%s lines are more than fit on a sheet. Paste %d at most, and the rest after.', number_format(\count($lines)), PastedWish::MOST_LINES));
        }
        $reach = $this->directory->reachOf($caller);
        $identifiers = array_merge(...array_map(static fn ($line): array => $line->identifiers, $lines) ?: [[]]);
        $rows = $sights = $known = [];
        foreach ($this->directory->findAll($lines, $site) as $row) {
            $person = PersonRow::person($row);
            $own = array_map(Folding::identifier(...), PersonRow::identifiers($row));
            $exactly = [] !== array_intersect($own, $identifiers);
            $sight = null !== $row->stringOrNull('state') ? Sight::Full : $reach->sight($person, $exactly);
            if (Sight::Hidden !== $sight) {
                $rows[$person->id] = $row;
                $sights[$person->id] = $sight;
                $words = static fn (string $column): array => Folding::tokens($row->string($column));
                $known[] = new Known($person, $words('given_name'), $words('family_name'), $words('preferred_name'), $words('former_name'), $own);
            }
        }
        $readings = (new Matcher($formats))->read($lines, $known, $access->site);

        return new Answer(['items' => array_map(fn (Reading $reading): array => $this->json($reading, $rows, $sights, $access), $readings)]);
    }

    /**
     * @param array<string, Row>   $rows   by person
     * @param array<string, Sight> $sights by person
     *
     * @return array<string, mixed> schema `PastedLine`
     */
    private function json(Reading $reading, array $rows, array $sights, SiteAccess $access): array
    {
        return [
            'number' => $reading->line->number,
            'text' => $reading->line->text,
            'outcome' => $reading->outcome->value,
            'mistyped' => $reading->mistyped,
            'decided' => $reading->decided?->value,
            'candidates' => array_map(function (Candidate $each) use ($rows, $sights, $access): array {
                $row = $rows[$each->known->person->id];

                return [...array_diff_key($this->candidates->json($row, null === $row->stringOrNull('state') ? null : SegmentRow::segment($row), $sights[$each->known->person->id], $access, false), ['options' => 1]), 'evidence' => $each->evidence->value];
            }, $reading->candidates),
        ];
    }
}
