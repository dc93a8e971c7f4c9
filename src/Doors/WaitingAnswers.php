<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Doors\Entity\WaitingRecord;
use MintDoor\Doors\Repository\WaitingPlaces;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\SiteLetter;
use MintDoor\Messages\SiteLetters;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Speech;

/**
 * What staff say to those who wait at the doors of a site, and what comes of it. Runs inside a transaction, under the
 * site's lock.
 */
final readonly class WaitingAnswers
{
    private const YES = 'doors.answer-yes';

    private const NO = 'doors.answer-no-time';

    public function __construct(
        private WaitingPlaces $places,
        private DoorContextLoader $doorContexts,
        private DoorLines $lines,
        private SiteLetters $post,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private Roles $roles,
        private Speech $speech,
        private History $history,
    ) {}

    /**
     * Answers requests, or moves somebody up in the line.
     *
     * @param non-empty-list<int> $waiters
     * @param 'yes'|'no'|'up'     $answer
     *
     * @return list<WaitingAnswered>
     */
    public function answer(SiteAccess $access, array $waiters, string $answer, string $why): array
    {
        $why = trim($why);
        $waiting = $this->places->some($access->site->id, $waiters);
        if ([] === $waiting) {
            throw Problem::notFound('waiting-place');
        }
        if ('up' === $answer && '' === $why) {
            throw Problem::field('/why', 'why', 'doors.say-why-written-down');
        }

        $together = 'yes' === $answer ? $this->acceptTogether($access, $waiting, $why) : [];

        return array_map(function (WaitingRecord $one) use ($access, $answer, $why, $together): WaitingAnswered {
            if (isset($together[(int) $one->id])) {
                return $together[(int) $one->id];
            }
            $at = $this->doorContexts->ofWaiting($one);
            $code = match ($answer) {
                'up' => $this->moveUp($access, $one, $why),
                'no' => $this->refuse($access, $at, $why),
                default => $this->accept($access, $at, $why),
            };

            return self::answered($one, $at->person, $code);
        }, $waiting);
    }

    private static function answered(WaitingRecord $one, Row $person, string $code): WaitingAnswered
    {
        return new WaitingAnswered(
            id: (int) $one->id,
            name: $person->string('preferred_name') ?: $person->string('given_name'),
            done: \in_array($code, ['in', 'refused', 'moved'], true),
            code: $code,
        );
    }

    private function moveUp(SiteAccess $access, WaitingRecord $one, string $why): string
    {
        $one->ahead = $this->places->front($access->site->id);
        $one->movedWhy = $why;
        $this->places->flush();
        $this->history->write(
            $access->site->id,
            $access->caller,
            new Happening('moved-up', ['why' => $why], $one->person->id),
        );

        return 'moved';
    }

    private function refuse(SiteAccess $access, DoorContext $at, string $why): string
    {
        $this->lines->goAgain($at, [$at->door->id], true, 'lapse', $access->caller);
        $this->lines->close($at->door->id, $at->personId(), 'refused', $at->access, $access->caller);
        $this->tell($access, $at, $why, self::NO);

        return 'refused';
    }

    /**
     * A yes to many who wait for one, where that is as plain as it mostly is; whoever is not among those who are
     * answered is looked at by themselves.
     *
     * @param list<WaitingRecord> $waiting
     *
     * @return array<int, WaitingAnswered> those who are in, by id
     */
    private function acceptTogether(SiteAccess $access, array $waiting, string $why): array
    {
        $byPerson = [];
        foreach ($waiting as $one) {
            if ('approval' === $one->what && 'emptiest' !== SentenceDoor::of($one->door)->policy->place) {
                $byPerson[$one->person->id] ??= $one;
            }
        }
        if (\count($byPerson) < 2) {
            return [];
        }
        $people = $this->contextLoader->people(array_keys($byPerson));
        $mayGive = fn(WaitingRecord $one): bool => $this->roles->book()->mayGive(
            SentenceDoor::of($one->door)->policy->role,
            $access->standing,
            PersonRow::person($people[$one->person->id]),
            $access->site,
        )->allowed;
        $byPerson = array_filter($byPerson, $mayGive);
        $asked = [];
        foreach ($byPerson as $one) {
            $asked[(int) $one->id] = $one;
        }
        $lines = [] === $asked
            ? []
            : $this->lines->comeInTogether(
                $this->gate->atDoor($access->site->id, $access->caller),
                $asked,
                array_intersect_key($people, $byPerson),
                $access->caller,
            );
        $in = $letters = [];
        foreach ($lines as $id => $line) {
            if (Verdict::Ready === $line->verdict) {
                $one = $asked[$id];
                $person = $people[$one->person->id];
                $one->end('in', $access->caller->id, $access->now);
                $letters[SentenceDoor::of($one->door)->policy->role][] = self::letter(
                    $person,
                    $one,
                    $why ?: $this->speech->say(self::YES)
                );
                $in[$id] = self::answered($one, $person, 'in');
            }
        }
        $this->places->flush();
        foreach ($letters as $role => $some) {
            $this->send($access, $role, array_values(array_filter($some)));
        }

        return $in;
    }

    /** Whoever says yes must be able to give the role by hand. */
    private function accept(SiteAccess $access, DoorContext $at, string $why): string
    {
        $verdict = $this->roles
            ->book()
            ->mayGive($at->door->policy->role, $access->standing, $at->context->person, $access->site);
        if (!$verdict->allowed) {
            return $verdict->code;
        }
        $line = $this->lines->comeIn($at, $at->waiting?->section?->id, $access->caller, $at->waiting?->why);
        if (Verdict::WaitsForSeat === $line->verdict) {
            if ('approval' === $at->waiting?->what && $at->door->policy->waiting) {
                $at->waiting->what = 'seat';
                $this->places->flush();

                return 'waits-for-seat';
            }

            return 'no-seat';
        }
        if (Verdict::Ready !== $line->verdict) {
            return $line->reasons[0]->code ?? 'already-so';
        }
        $this->tell($access, $at, $why, self::YES);

        return 'in';
    }

    /** @param string $otherwise the key of what is written where staff write nothing */
    private function tell(SiteAccess $access, DoorContext $at, string $why, string $otherwise): void
    {
        $letter = null === $at->waiting
            ? null
            : self::letter(
                $at->person,
                $at->waiting,
                $why ?: $this->speech->say($otherwise)
            );
        $this->send($access, $at->door->policy->role, null === $letter ? [] : [$letter]);
    }

    /** Null for somebody without an address. */
    private static function letter(Row $person, WaitingRecord $one, string $words): ?SiteLetter
    {
        $address = $person->stringOrNull('email');

        return null === $address ? null : new SiteLetter($address, $person, 'answer:'.$one->id, $words);
    }

    /** @param list<SiteLetter> $letters */
    private function send(SiteAccess $access, string $role, array $letters): void
    {
        if ([] !== $letters) {
            $this->post->send(MessageKind::RequestAnswered, $access, $role, $letters, $access->caller, false);
        }
    }
}
