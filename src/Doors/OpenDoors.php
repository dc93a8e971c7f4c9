<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Doors\Passage;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Doors\Repository\SentenceDoors;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Items;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Repository\Sites;
use MintDoor\Sites\SiteName;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Doors across sites: those one may join at or ask at, those one may look in through, and keys that are renewed
 * together.
 */
final readonly class OpenDoors
{
    public function __construct(
        private SentenceDoors $open,
        private People $people,
        private Sites $sites,
        private Standings $standings,
        private Sections $sections,
        private DoorAuthority $authority,
        private Gate $gate,
        private Doors $doors,
        private DoorKeys $keys,
        private Roles $roles,
        private PlatformClock $clock,
        private Throttle $throttle,
        private Transaction $transaction,
    ) {}

    /** Sites that can be joined, or asked to be joined, without a key. Only those that would take the caller. */
    #[Route('/open-doors', name: 'open_doors', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $now = $this->clock->instant();
        $address = $this->people->find($caller->id)?->email;
        $own = [];
        foreach ($this->standings->toCome($caller->id, $now) as $row) {
            $own[$row->id('site_id')][] = SegmentRow::segment($row);
        }
        $doors = $this->open->listed($now);
        $sites = $this->sitesOf($doors);
        $doorman = new Doorman($this->roles->book());
        $items = [];
        foreach ($doors as $door) {
            $row = $sites[$door->site];
            if (!$this->roles->rules()->lists($row->string('kind'))) {
                continue;
            }
            $here = (new Timeline($own[$door->site] ?? []))->at($now);
            $admission = $doorman->admit(
                $door->terms(),
                SiteRow::site($row),
                PersonRow::caller($caller),
                $address,
                $here,
                $now,
                0,
                null,
            );
            if (\in_array($admission->passage, [Passage::In, Passage::Approval], true)) {
                $items[] = new OpenDoorShown(
                    door: $door->id,
                    site: new SiteName($door->site, $row->string('title')),
                    kind: $this->roles->rules()->nameOfKind($row->string('kind')),
                    division: $row->string('division_name'),
                    term: $row->stringOrNull('term_name') ?? '',
                    timeZone: $row->string('time_zone'),
                    asks: $door->policy->approval,
                    questions: $this->roles->rules()->questionsOf($row->string('kind')),
                    question: $this->roles->rules()->question,
                    about: $door->policy->about,
                    untilAt: Instant::toJson($door->hours->until),
                    waits: 'waiting' === $here?->state->value,
                );
            }
        }

        return new Answer(new Items($items));
    }

    /** What a preview shows, signed in or not. */
    #[Route('/previews/{door}', name: 'preview', requirements: ['door' => Id::PATTERN], methods: ['GET'])]
    public function preview(string $door, Request $request, #[CurrentUser] ?Caller $caller): Response
    {
        if (!$this->throttle->hit('previews from '.$request->getClientIp(), 600, 900)->isAccepted()) {
            throw new Problem(
                ProblemType::TooManyTries,
                'doors.lot-looking-wait-quarter',
                retryAfter: 900,
            );
        }
        $found = $this->found($door);
        $may =
            null !== $found
            && (new Doorman($this->roles->book()))->mayPreview(
                $found->terms(),
                $found->policy->anyone,
                $caller?->division,
                true === $caller?->administers($found->door->site->division->code),
                $this->clock->instant(),
            );
        // Whoever may not look is told the same as if there were no such door.
        if (null === $found || !$may) {
            throw null === $caller
                ? new Problem(ProblemType::NotSignedIn, 'doors.sign-look')
                : Problem::notFound('door');
        }

        return new Answer($this->shown($found));
    }

    private function found(string $id): ?SentenceDoor
    {
        try {
            $door = $this->open->anywhere($id);
        } catch (Problem) {
            return null;
        }

        return DoorKind::Preview === $door->kind ? $door : null;
    }

    /** Key doors of the sites one keeps the doors of. */
    #[Route('/key-doors', name: 'key_doors', methods: ['GET'])]
    public function keyDoors(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(new Items($this->mine($caller)));
    }

    /** Fresh keys for doors of many sites, for another term. */
    #[Route('/key-renewals', name: 'renew_keys', methods: ['POST'])]
    public function renew(
        #[MapRequestPayload] RenewalRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $mine = array_column($this->mine($caller), null, 'id');
        $chosen = array_map(
            static fn(string $door): KeyDoorShown => $mine[$door] ?? throw Problem::notFound('door'),
            array_values(array_unique($body->doors)),
        );
        $sites = array_values(
            array_unique(array_map(static fn(KeyDoorShown $door): string => $door->site->id, $chosen))
        );

        return $this->transaction->run($request, $caller, $sites, function () use ($body, $chosen, $caller): Answer {
            foreach ($chosen as $door) {
                $access = $this->gate
                    ->at($door->site->id, $caller)
                    ->require(Permission::KeepDoors, DoorController::NEEDS);
                $this->doors->renewFor($access, $door->id, $body->fromDay, $body->untilDay);
            }

            return new Answer(new Items($this->mine($caller, array_column($chosen, 'id'))));
        });
    }

    /**
     * @param list<string> $only ids; none for all
     *
     * @return list<KeyDoorShown>
     */
    private function mine(Caller $caller, array $only = []): array
    {
        $now = $this->clock->instant();
        $keepers = $this->roles->letting($caller, Permission::KeepDoors);
        $items = $at = [];
        foreach ($this->open->keyDoorsOf($caller->id, $keepers, $now) as $door) {
            if ([] !== $only && !\in_array($door->id, $only, true)) {
                continue;
            }
            $site = $door->door->site;
            $access = $at[$site->id] ??= $this->gate->at($site->id, $caller);
            $gives = $this->authority->gives($access, $door->kind, $door->policy);
            $items[] = new KeyDoorShown(
                id: $door->id,
                name: $door->door->name,
                key: $gives ? $this->keys->ofDoor($door->id) : null,
                state: $door->state($now)->value,
                site: new SiteName($site->id, $site->title),
                term: $site->term->name ?? '',
                untilAt: Instant::toJson($door->hours->until),
                timeZone: $site->timeZone,
            );
        }

        return $items;
    }

    /**
     * @param list<SentenceDoor> $doors
     *
     * @return array<string, Row> with `SiteRow::COLUMNS`, by id
     */
    private function sitesOf(array $doors): array
    {
        $ids = array_unique(array_map(static fn(SentenceDoor $door): string => $door->site, $doors));
        $sites = [];
        foreach ($this->sites->withTerms(array_values($ids)) as $row) {
            $sites[$row->id('id')] = $row;
        }

        return $sites;
    }

    private function shown(SentenceDoor $door): PreviewAnswer
    {
        $site = $door->door->site;
        $now = $this->clock->instant();
        $shows = static fn(string $what): bool => \in_array($what, $door->policy->shows, true);

        return new PreviewAnswer(
            site: new SiteName($site->id, $site->title),
            kind: $this->roles->rules()->nameOfKind($site->kind),
            division: $site->division->name,
            term: null === $site->term ? null : [
                'name' => $site->term->name,
                'startsOn' => $site->term->startsOn,
                'endsOn' => $site->term->endsOn,
            ],
            about: $door->policy->about,
            leads: $shows('leads') ? $this->standings->namesOfLeads($site->id, $now) : null,
            sections: $shows('sections')
                ? array_map(
                    static fn(Section $section): array => ['name' => $section->name, 'meets' => $section->meets],
                    $this->sections->offered($site->id),
                )
                : null,
            learners: $shows('numbers') ? $this->standings->holdingSeats($site->id, $now) : null,
            seats: $shows('numbers') ? $site->seats : null,
        );
    }
}
