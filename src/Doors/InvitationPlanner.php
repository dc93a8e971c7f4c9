<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\InviteVerdict;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roster\State;
use MintDoor\Doors\Repository\InvitablePeople;
use MintDoor\Doors\Repository\StoredInvitations;
use MintDoor\Intake\PeopleReader;
use MintDoor\Intake\PersonSeen;
use MintDoor\People\PersonRow;
use MintDoor\People\PersonShown;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** Says whom lines mean, and whether they can be invited through a door. Changes nothing. */
final readonly class InvitationPlanner
{
    private const TEXT = 200;

    public function __construct(
        private PeopleReader $reader,
        private StoredInvitations $invitations,
        private InvitablePeople $people,
        private Roles $roles,
    ) {}

    /** @return list<InviteLine> */
    public function plan(SiteAccess $access, SentenceDoor $door, InviteRequest $request): array
    {
        $lines = '' === trim($request->text) ? [] : $this->reader->lines($request->text, InviteRequest::MOST);
        if ([] === $lines) {
            return [];
        }
        $role = $this->roles->book()->find($door->policy->role);
        $read = $this->reader->readings(
            $lines,
            $access->caller,
            new Circumstances($access->site, $role->for ?? [PersonKind::Learner]),
        );
        $planned = [];
        foreach ($read->readings as $reading) {
            $planned[] = self::line(
                $reading,
                $read->people,
                $request->choices[(string) $reading->line->number] ?? null
            );
        }

        return $this->judged($access, $door, $planned);
    }

    /**
     * Which of some people of the directory can be invited.
     *
     * @param list<string> $people ids
     *
     * @return list<InviteLine> those who can
     */
    public function ready(SiteAccess $access, SentenceDoor $door, array $people): array
    {
        $lines = array_map(
            static fn(string $person): InviteLine => new InviteLine(0, '', 'ready', $person),
            $people,
        );

        return array_values(
            array_filter(
                $this->judged($access, $door, $lines),
                static fn(InviteLine $line): bool => $line->isReady(),
            ),
        );
    }

    /** @param array<string, PersonSeen> $people by id */
    private static function line(Reading $reading, array $people, ?string $chosen): InviteLine
    {
        $number = $reading->line->number;
        $text = mb_substr($reading->line->text, 0, self::TEXT);
        $candidates = array_map(static fn($each): string => $each->known->person->id, $reading->candidates);
        // Whose address one may see is told it; of others it stays with the door.
        $known = array_values(
            array_filter(
                $candidates,
                static fn(string $id): bool => PersonVisibility::Full === $people[$id]->visibility
            ),
        );
        if (null !== $chosen && \in_array($chosen, $candidates, true)) {
            return new InviteLine($number, $text, 'ready', $chosen, known: $known);
        }
        $addresses = array_filter(
            $reading->line->identifiers,
            static fn(string $each): bool => str_contains($each, '@'),
        );
        $address = array_values($addresses)[0] ?? null;
        $shown = Outcome::Choose === $reading->outcome
            ? array_map(static fn(string $id): PersonShown => $people[$id]->shown(), $candidates)
            : [];

        return match ($reading->outcome) {
            Outcome::Match => new InviteLine($number, $text, 'ready', $candidates[0], known: $known),
            Outcome::Choose => new InviteLine($number, $text, 'choose', candidates: $shown, known: $known),
            Outcome::Repeat => new InviteLine($number, $text, 'repeat', known: $known),
            Outcome::NoPerson => new InviteLine($number, $text, 'nobody', known: $known),
            default => new InviteLine(
                $number,
                $text,
                null === $address ? 'unknown' : 'ready',
                address: $address,
                known: $known,
            ),
        };
    }

    /**
     * What stands in the way of each, and once of everybody.
     *
     * @param list<InviteLine> $planned
     *
     * @return list<InviteLine>
     */
    private function judged(SiteAccess $access, SentenceDoor $door, array $planned): array
    {
        $ids = array_filter(array_map(static fn(InviteLine $line): ?string => $line->personId, $planned));
        $people = $this->people->of($access->site->id, array_values(array_unique($ids)), $access->now);
        $open = $this->invitations->open($door->id);
        $seen = $judged = [];
        foreach ($planned as $line) {
            $person = null === $line->personId ? null : $people[$line->personId] ?? null;
            $address = null === $person ? $line->address : $person->stringOrNull('email');
            $key = null === $person ? (string) $address : $person->id('person_id');
            $verdict = $line->verdict;
            if ($line->isReady()) {
                $lost = null !== $line->personId && (null === $person || null !== $person->stringOrNull('gone'));
                $verdict = $lost
                    ? 'unknown'
                    : $this->verdict($access, $door, $person, $address, isset($seen[$key]), isset($open[$key]))->value;
                $seen[$key] = true;
            }
            $judged[] = $line->judged($verdict, $person, $address);
        }

        return $judged;
    }

    private function verdict(
        SiteAccess $access,
        SentenceDoor $door,
        ?Row $person,
        ?string $address,
        bool $repeated,
        bool $open,
    ): InviteVerdict {
        $core = null === $person ? null : PersonRow::person($person);
        $signsIn = null === $person
            || (null !== $person->stringOrNull('login') && true === $core?->accountOpen($access->now));
        $holds = null === $core
            ? null
            : $this->roles->book()->mayGive($door->policy->role, $access->standing, $core, $access->site);

        return InviteVerdict::of(
            $address,
            $repeated,
            $open,
            State::tryFrom($person?->stringOrNull('state') ?? ''),
            $signsIn,
            $holds,
        );
    }
}
