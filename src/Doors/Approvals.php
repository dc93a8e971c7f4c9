<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Doors\Repository\PendingApprovals;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/**
 * People of a division who were let in by somebody that has nothing to do with them, and wait for its yes. Answered by
 * who administers the division; the role is judged with the rights whoever asked has when it is answered.
 */
final readonly class Approvals
{
    public function __construct(
        private PendingApprovals $pending,
        private Gate $gate,
        private DoorAuthority $authority,
        private DoorLines $lines,
        private ChangeContextLoader $contextLoader,
        private LineComputer $computer,
        private Roles $roles,
        private Notices $notices,
        private PlatformClock $clock,
    ) {}

    /** @return list<ApprovalShown> the oldest first */
    public function of(Caller $caller): array
    {
        $divisions = $caller->platformAdministrator ? null : $caller->divisions;
        $rows = $this->pending->of($divisions, $this->clock->instant());

        return array_map(static function (Row $row): ApprovalShown {
            $by = $row->idOrNull('by_id');

            return new ApprovalShown(
                site: new SiteName($row->id('site_id'), $row->string('title')),
                timeZone: $row->string('time_zone'),
                person: PersonRow::shown($row, PersonVisibility::Full),
                role: $row->string('role'),
                by: null === $by ? null : new Somebody($by, PersonRow::name($row, 'b_')),
                askedAt: Instant::toJson($row->instant('given_at')),
                untilAt: Instant::toJson($row->instant('until_at')),
            );
        }, $rows);
    }

    /**
     * Says yes or no for somebody of a division. Runs inside a transaction, under the site's lock.
     *
     * @throws Problem of type `NotFound`, or `NotReady` where the yes changes nothing
     */
    public function answer(string $site, string $person, bool $yes, Caller $caller): void
    {
        $row = $this->found($person, $caller);
        $access = $this->gate->atDoor($site, $caller);
        $context = $this->contextLoader->of($access, [$person => $row])->one($person);
        $asked = $this->asked($context) ?? throw Problem::notFound('request');
        if (!$yes) {
            $line = $this->computer->goAgain($context, [$context->staff], true);
            $this->lines->keep($access, $row, 'decline', $line, $caller);

            return;
        }
        $asker = $this->authority->keeper($site, $asked->givenBy) ?? new Standing('', false);
        $verdict = $this->roles->book()->mayGive($asked->role, $asker, $context->person, $access->site);
        if (!$verdict->allowed) {
            throw new Problem(ProblemType::NotReady, 'doors.whoever-asked-not-give');
        }
        $window = new Window(
            min(max($access->now, $asked->window->from), $asked->window->until),
            $asked->window->until,
        );
        $line = $this->computer->comeIn(
            $context,
            $context->staff,
            DoorKind::Staff,
            $asked->role,
            $window,
            $asked->section,
        );
        if (Verdict::Ready !== $line->verdict) {
            throw new Problem(ProblemType::NotReady, Refusals::sentence($line->reasons[0]->code ?? ''));
        }
        $this->lines->keep($access, $row, 'approve', $line, $caller);
        $this->notices->tell(
            [new AccountNews($row, 'let-in-outside', ['site' => $access->row->string('title')])],
            $caller
        );
    }

    /** Somebody of a division the caller administers. */
    private function found(string $person, Caller $caller): Row
    {
        $row = $this->contextLoader->people([$person])[$person];

        return $caller->administers($row->string('person_division')) ? $row : throw Problem::notFound('person');
    }

    private function asked(ChangeContext $context): ?Grant
    {
        foreach ($context->enrollment->grantsIn(Phase::Waiting, $context->now) as $grant) {
            if ($grant->doorId === $context->staff && Time::FOREVER === $grant->acceptedAt) {
                return $grant;
            }
        }

        return null;
    }
}
