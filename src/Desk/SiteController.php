<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Gate;
use MintDoor\Roster\ReasonJson;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\SectionNamed;
use MintDoor\Roster\SectionsQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class SiteController
{
    private const RUNS = 'desk.only-lead-site-administrator';

    public function __construct(
        private Gate $gate,
        private SectionsQuery $sections,
        private SitesQuery $sites,
        private Counts $counts,
        private SiteHandler $handler,
        private Transaction $transaction,
        private Roles $roles,
        private ReasonJson $reasons,
        private Sites $merged,
    ) {}

    #[Route('/sites', name: 'sites', methods: ['GET'])]
    public function list(#[CurrentUser] Caller $caller, #[FromQuery] SitesFilter $filter = new SitesFilter()): Response
    {
        return new Answer($this->sites->list($caller, $filter));
    }

    #[Route('/sites', name: 'make_site', methods: ['POST'])]
    public function make(
        #[MapRequestPayload] SiteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $site = $this->handler->make($body, $caller);

            return $this->answer($this->gate->at($site, $caller), 201);
        });
    }

    #[Route('/sites/{site}', name: 'site', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function site(string $site, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($this->gate->ifThere($site, $caller) ?? throw $this->gone($site, $caller));
    }

    /** Says where a site went that became part of another one, to those who are there. */
    private function gone(string $site, Caller $caller): Problem
    {
        $into = $this->merged->nowPartOf($site);
        $there = null === $into ? null : $this->gate->ifThere($into, $caller);
        $more = null === $there ? [] : ['now' => $there->site->id];

        return new Problem(ProblemType::NotFound, 'shared.not-found.site', more: $more);
    }

    #[Route('/sites/{site}', name: 'change_site', requirements: ['site' => Id::PATTERN], methods: ['PUT'])]
    public function change(
        string $site,
        #[MapRequestPayload] SiteRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $site,
            $request,
            $caller,
            fn(SiteAccess $access): int => $this->handler->change($access, $body),
        );
    }

    #[Route('/sites/{site}/life', name: 'live_site', requirements: ['site' => Id::PATTERN], methods: ['PUT'])]
    public function live(
        string $site,
        #[MapRequestPayload] LifeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->changed(
            $site,
            $request,
            $caller,
            fn(SiteAccess $access): int => $this->handler->live($access, $body),
        );
    }

    /** @param \Closure(SiteAccess): int $work answers the sequence number of its history entry */
    private function changed(string $site, Request $request, Caller $caller, \Closure $work): Response
    {
        $this->gate->at($site, $caller)->require(Permission::RunSite, self::RUNS);

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $request,
            $caller,
            $work,
        ): Answer {
            $access = $this->gate->at($site, $caller)->require(Permission::RunSite, self::RUNS);
            IfMatch::of($request)->assert($access->row->int('version'));
            $entry = $work($access);

            return $this->answer($this->gate->at($site, $caller), 200, 0 === $entry ? null : $entry);
        });
    }

    private function answer(SiteAccess $access, int $status = 200, ?int $entry = null): Answer
    {
        $count = $this->counts->ofSite($access);
        $answer = new SiteAnswer(
            facts: SiteRow::facts($access->row, $access->now),
            seats: $access->site->seats,
            learners: $count->seatsHeld,
            staff: $count->staff,
            leadLimit: $access->site->leadLimit,
            sections: array_map(
                static fn(Section $section): SectionNamed => new SectionNamed(
                    $section->id,
                    $section->name,
                    $section->retired,
                ),
                $this->sections->seen($access),
            ),
            apart: $access->site->apart,
            several: $access->site->several,
            seesAll: null === $access->standing->sections,
            version: $access->row->int('version'),
            standing: StandingShown::of($access->segment, $this->roles->book()),
            administrator: $access->standing->administrator,
            may: $access->permissions(),
            seenAs: $this->seenAs($access),
            entry: $entry,
        );

        return (new Answer($answer, $status))->versioned($answer->version);
    }

    private function seenAs(SiteAccess $access): ?SeenAsShown
    {
        if (null === $access->seenAs) {
            return null;
        }
        $reason = (new Access($this->roles->book()))->reason(
            ($access->enrollment ?? new Enrollment())->timeline(),
            PersonRow::caller($access->caller),
            $access->site,
            $access->now,
        );

        return new SeenAsShown($access->seenAs, $access->caller->name, $this->reasons->forThePerson($reason));
    }
}
