<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\DoorTerms;
use MintDoor\Core\Doors\QuietRule;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** On what terms a door lets people in by itself: the parts of its sentence. `DoorPolicyCodec` reads and writes it. */
final readonly class DoorPolicy
{
    /**
     * @param 'none'|'fixed'|'emptiest'|'choice' $place         into which section people come
     * @param ?string                            $section       id, where it is fixed
     * @param ?int                               $seats         how many may come through; null for as many as fit
     * @param list<string>                       $divisions     codes of those it is for; none for all
     * @param list<string>                       $domains       of the addresses it is for; none for all
     * @param bool                               $listed        whether it is found without a key: one asks there
     * @param bool                               $accounts      whether accounts are made on the way
     * @param 'site'|'term'|'day'                $stay          how long people stay
     * @param ?int                               $stayUntil     the instant, for a day
     * @param list<int>                          $meets         weekdays, 1 for Monday
     * @param int                                $offerHours    for which a seat is kept, nights not counted
     * @param int                                $answerDays    for which invitations hold
     * @param bool                               $holds         whether an invitation keeps a seat
     * @param list<string>                       $shows         what a preview shows
     * @param bool                               $anyone        whether a preview is for people without an account
     */
    public function __construct(
        public string $role = '',
        public string $place = 'none',
        public ?string $section = null,
        public ?int $seats = null,
        public array $divisions = [],
        public ?int $lowest = null,
        public ?int $highest = null,
        public array $domains = [],
        public bool $listed = false,
        public bool $approval = false,
        public bool $waiting = false,
        public bool $accounts = false,
        public string $stay = 'site',
        public ?int $stayUntil = null,
        public ?int $quietDays = null,
        public ?int $quietMeetings = null,
        public array $meets = [],
        public int $offerHours = 14,
        public int $answerDays = 14,
        public ?int $remindDays = null,
        public bool $holds = false,
        public array $shows = [],
        public bool $anyone = false,
        public string $about = '',
    ) {}

    /** What the core decides by. */
    public function terms(bool $open, Window $hours): DoorTerms
    {
        return new DoorTerms(
            $this->role,
            $open,
            $this->approval,
            $hours,
            $this->seats,
            $this->divisions,
            null === $this->lowest || null === $this->highest ? null : new LevelBand($this->lowest, $this->highest),
            $this->domains,
            $this->waiting,
        );
    }

    public function quiet(): QuietRule
    {
        return new QuietRule($this->quietDays, $this->quietMeetings, $this->meets);
    }

    /** Until when somebody who comes in stays. */
    public function stays(int $termEnds): int
    {
        return match ($this->stay) {
            'term' => $termEnds,
            'day' => $this->stayUntil ?? Time::FOREVER,
            default => Time::FOREVER,
        };
    }

    /** Until when an invitation that is sent now holds. */
    public function answerUntil(int $now): int
    {
        return $now + 86_400 * $this->answerDays;
    }

    /** When somebody who is invited now is reminded; null for never. */
    public function remindAt(int $now): ?int
    {
        return null === $this->remindDays ? null : $now + 86_400 * $this->remindDays;
    }
}
