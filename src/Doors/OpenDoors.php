<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Doors\DoorState;
use MintDoor\Core\Doors\Passage;
use MintDoor\Core\Roles\Permission;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
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
    private const MOST = 300;

    /** A door beside the columns of its site, which has some of these names itself. */
    private const DOOR = 'o.id AS door_id, o.kind AS door_kind, o.state AS door_state, o.terms AS door_terms, '
        .'o.from_at AS door_from_at, o.until_at AS door_until_at';

    public function __construct(
        private Connection $db,
        private Gate $gate,
        private Doors $doors,
        private DoorKeys $keys,
        private Roles $roles,
        private Enrollments $enrollments,
        private PlatformClock $clock,
        private Throttle $throttle,
        private Transaction $transaction,
    ) {}

    /** Sites that can be joined, or asked to be joined, without a key. Only those that would take the caller. */
    #[Route('/open-doors', name: 'open_doors', methods: ['GET'])]
    public function all(#[CurrentUser] Caller $caller): Response
    {
        $now = $this->clock->instant();
        $at = Instant::toSql($now);
        $address = $this->db->fetchOne('SELECT email FROM person WHERE id = ?', [Id::binary($caller->id)]);
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .SiteRow::COLUMNS
                    .', '
                    .self::DOOR
                    .', g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat FROM door o '
                        .'JOIN site s ON s.id = o.site_id JOIN division d ON d.id = s.division_id '
                        .'JOIN term t ON t.id = s.term_id LEFT JOIN enrollment_segment g ON g.site_id = s.id '
                        ."AND g.person_id = ? AND g.from_at <= ? AND g.until_at > ? WHERE o.kind = 'key' "
                        ."AND o.state = 'open' AND o.from_at <= ? AND o.until_at > ? AND JSON_VALUE(o.terms, "
                        ."'$.listed') = 1 AND s.taken_back = 0 AND s.closes_at > ? ORDER BY s.title LIMIT "
                    .self::MOST,
                [Id::binary($caller->id), $at, $at, $at, $at, $at],
            ),
        );
        $doorman = new Doorman($this->roles->book());
        $items = [];
        foreach ($rows as $row) {
            $here = null === $row->stringOrNull('state') ? null : SegmentRow::segment($row);
            $terms = DoorTermsJson::beside($row);
            $admission = $doorman->admit(
                $terms->terms(),
                SiteRow::site($row),
                Gate::person($caller),
                \is_string($address) ? $address : null,
                $here,
                $now,
                0,
                null,
            );
            if (\in_array($admission->passage, [Passage::In, Passage::Approval], true)) {
                $items[] = [
                    'door' => $row->id('door_id'),
                    'site' => ['id' => $row->id('id'), 'title' => $row->string('title')],
                    'kind' => $row->string('kind'),
                    'division' => $row->string('division_name'),
                    'term' => $row->string('term_name'),
                    'timeZone' => $row->string('time_zone'),
                    'asks' => $terms->is('approval'),
                    'about' => $terms->text('about'),
                    'untilAt' => Instant::toJson($terms->hours->until),
                    'waits' => 'waiting' === $here?->state->value,
                ];
            }
        }

        return new Answer(['items' => $items]);
    }

    /** What a preview shows, signed in or not. */
    #[Route('/previews/{door}', name: 'preview', requirements: ['door' => Id::PATTERN], methods: ['GET'])]
    public function preview(string $door, Request $request, #[CurrentUser] ?Caller $caller): Response
    {
        if (!$this->throttle->hit('previews from '.$request->getClientIp(), 600, 900)->isAccepted()) {
            throw new Problem(
                ProblemType::TooManyTries,
                'That is a lot of looking in. Wait a quarter of an hour.',
                retryAfter: 900,
            );
        }
        $now = $this->clock->instant();
        $found = $this->db->fetchAssociative(
            'SELECT '
                .SiteRow::COLUMNS
                .', '
                .self::DOOR
                .' FROM door o JOIN site s ON s.id = o.site_id AND s.taken_back = 0 '
                    .'JOIN division d ON d.id = s.division_id JOIN term t ON t.id = s.term_id WHERE o.id = ? '
                    ."AND o.kind = 'preview' AND o.terms IS NOT NULL",
            [Id::binary($door)],
        );
        $hidden =
            null === $caller
                ? new Problem(ProblemType::NotSignedIn, 'Sign in to look in here.')
                : Problem::notFound('This door');
        $row = new Row(false === $found ? throw $hidden : $found);
        $terms = DoorTermsJson::beside($row);
        if (
            !Doorman::mayPreview(
                $terms->terms(),
                $terms->is('anyone'),
                $caller?->division,
                true === $caller?->administers($row->string('division_code')),
                $now,
            )
        ) {
            // Whoever may not look is told the same as if there were no such door.
            throw $hidden;
        }

        return new Answer($this->shown($row, $terms, $now));
    }

    /** Key doors of the sites one keeps the doors of. */
    #[Route('/key-doors', name: 'key_doors', methods: ['GET'])]
    public function keyDoors(#[CurrentUser] Caller $caller): Response
    {
        return new Answer(['items' => $this->mine($caller)]);
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
            static fn(string $door): array => $mine[$door] ?? throw Problem::notFound('This door'),
            array_values(array_unique($body->doors)),
        );
        $sites = array_values(array_unique(array_map(static fn(array $door): string => $door['site']['id'], $chosen)));

        return $this->transaction->run($request, $caller, $sites, function () use ($body, $chosen, $caller): Answer {
            foreach ($chosen as $door) {
                $access = $this->gate
                    ->at($door['site']['id'], $caller)
                    ->require(Permission::KeepDoors, DoorController::NEEDS);
                $this->doors->renewFor($access, $door['id'], $body->fromDay, $body->untilDay);
            }

            return new Answer(['items' => $this->mine($caller, array_column($chosen, 'id'))]);
        });
    }

    /**
     * @param list<string> $only ids; none for all
     *
     * @return list<array{
     *     id: string,
     *     name: string,
     *     key: ?string,
     *     state: string,
     *     site: array{id: string, title: string},
     *     term: string,
     *     untilAt: ?string,
     *     timeZone: string,
     * }>
     */
    private function mine(Caller $caller, array $only = []): array
    {
        $now = $this->clock->instant();
        $at = Instant::toSql($now);
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT o.id, o.name, o.kind, o.state, o.terms, o.from_at, o.until_at, k.sealed, s.id AS site_id, '
                    .'s.title, s.time_zone, t.name AS term FROM door o JOIN door_key k ON k.door_id = o.id '
                    .'JOIN site s ON s.id = o.site_id AND s.taken_back = 0 JOIN term t ON t.id = s.term_id '
                    .'WHERE s.id IN (SELECT g.site_id FROM enrollment_segment g WHERE g.person_id = ? '
                    ."AND g.from_at <= ? AND g.until_at > ? AND g.state = 'current' AND g.role IN (?)) ORDER BY "
                    .'s.title, o.name LIMIT '
                    .self::MOST,
                [Id::binary($caller->id), $at, $at, $this->roles->book()->holdersOf(Permission::KeepDoors) ?: ['']],
                [3 => ArrayParameterType::STRING],
            ),
        );
        $items = $at = [];
        foreach ($rows as $row) {
            if ([] === $only || \in_array($row->id('id'), $only, true)) {
                $terms = DoorTermsJson::of($row);
                $items[] = [
                    'id' => $row->id('id'),
                    'name' => $row->string('name'),
                    'key' => $this->doors->gives(
                        $at[$row->id('site_id')] ??= $this->gate->at($row->id('site_id'), $caller),
                        $terms,
                    )
                        ? $this->keys->shown($row->stringOrNull('sealed'))
                        : null,
                    'state' => DoorState::of($terms->open, $terms->is('approval'), $terms->hours, $now)->value,
                    'site' => ['id' => $row->id('site_id'), 'title' => $row->string('title')],
                    'term' => $row->string('term'),
                    'untilAt' => Instant::toJson($terms->hours->until),
                    'timeZone' => $row->string('time_zone'),
                ];
            }
        }

        return $items;
    }

    /** @return array<string, mixed> schema `Preview` */
    private function shown(Row $row, DoorTermsJson $terms, int $now): array
    {
        $shows = $terms->texts('shows');
        $site = Id::binary($row->id('id'));
        $at = Instant::toSql($now);
        $leads = \in_array('leads', $shows, true) ? $this->enrollments->namesOfLeads($row->id('id'), $now) : null;
        $sections = \in_array('sections', $shows, true)
            ? Row::all(
                $this->db->fetchAllAssociative('SELECT name, meets FROM section WHERE site_id = ? ORDER BY name', [
                    $site,
                ]),
            )
            : null;
        $learners = \in_array('numbers', $shows, true)
            ? $this->db->fetchOne(
                <<<'SQL'
                    SELECT COUNT(*)
                    FROM enrollment_segment
                    WHERE site_id = ? AND from_at <= ? AND until_at > ? AND holds_seat = 1
                    SQL,
                [$site, $at, $at],
            )
            : null;

        return [
            'site' => ['id' => $row->id('id'), 'title' => $row->string('title')],
            'kind' => $row->string('kind'),
            'division' => $row->string('division_name'),
            'term' => [
                'name' => $row->string('term_name'),
                'startsOn' => $row->string('starts_on'),
                'endsOn' => $row->string('ends_on'),
            ],
            'about' => $terms->text('about'),
            'leads' => $leads,
            'sections' =>
                null === $sections
                    ? null
                    : array_map(
                        static fn(Row $section): array => [
                            'name' => $section->string('name'),
                            'meets' => $section->string('meets'),
                        ],
                        $sections,
                    ),
            'learners' => is_numeric($learners) ? (int) $learners : null,
            'seats' => null === $learners ? null : $row->intOrNull('seats'),
        ];
    }
}
