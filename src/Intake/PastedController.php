<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Marking;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Sites\Site;
use MintDoor\Intake\Repository\SettledLines;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SectionsQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Reads pasted lines: whom each of them means, whom it may mean, and which mean nobody. Changes nothing. */
final readonly class PastedController
{
    public function __construct(
        private Gate $gate,
        private PeopleReader $people,
        private SettledLines $settled,
        private Roles $roles,
        private Candidates $candidates,
        private SectionsQuery $sections,
    ) {}

    #[Expensive]
    #[Route('/sites/{site}/intake', name: 'read_lines', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function read(
        string $site,
        #[MapRequestPayload] PastedRequest $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::LetIn, 'shared.not-let-people-into');
        $role =
            null === $request->role
                ? null
                : $this->roles->book()->find($request->role)
                    ?? throw Problem::field('/role', 'no-such-role', 'shared.no-such-role-any');
        $names = $this->sections->names($access);
        $lines = $this->people->lines($request->text, PastedRequest::MOST_LINES, $names, $request->hand());
        $remembered = $this->settled->of($site, $lines);
        $read = $this->people->readings(
            $lines,
            $caller,
            new Circumstances($access->site, $role->for ?? [PersonKind::Learner, PersonKind::Staff], $remembered),
            $access,
        );

        return new Answer(
            new Items(
                array_map(fn(Reading $one): LineRead => $this->shown($one, $read, $access), $read->readings),
            ),
        );
    }

    /** The same where it is about no site: of whomever one may be told. */
    #[Expensive]
    #[Route('/readings', name: 'read_people', methods: ['POST'])]
    public function readAnywhere(
        #[MapRequestPayload] PastedRequest $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('shared.only-staff-look-people');
        }
        $lines = $this->people->lines($request->text, PastedRequest::MOST_LINES, hand: $request->hand());
        $read = $this->people->readings($lines, $caller, new Circumstances(new Site('', ''), PersonKind::cases()));

        return new Answer(
            new Items(array_map(fn(Reading $one): LineRead => $this->shown($one, $read, null), $read->readings)),
        );
    }

    private function shown(Reading $reading, Readings $read, ?SiteAccess $access): LineRead
    {
        return new LineRead(
            number: $reading->line->number,
            text: $reading->line->text,
            gist: $reading->line->gist(),
            outcome: $reading->outcome->value,
            mistyped: $reading->mistyped,
            decided: $reading->decided?->value,
            repeats: $reading->repeats,
            candidates: array_map(
                fn(Candidate $each): CandidateMeant => $this->candidates->meant(
                    $read->people[$each->known->person->id],
                    $each,
                    $access,
                    $read->for->wanted($each->known->person),
                ),
                $reading->candidates,
            ),
            doubt: $reading->doubt?->value,
            notTheirs: $reading->notTheirs(),
            marks: Marking::of($reading),
            sections: $reading->line->sections(),
        );
    }
}
