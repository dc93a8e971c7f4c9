<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Platform\Levels;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A door as it is asked for: the parts of its sentence. Days are of the site's time zone; the last one is included. */
final readonly class DoorRequest
{
    public const KINDS = ['key', 'request', 'invitation', 'preview'];

    public const SHOWN = ['leads', 'sections', 'numbers'];

    /**
     * @param list<string> $divisions codes; none for all
     * @param list<string> $domains   of addresses; none for all
     * @param list<int>    $meets     weekdays, 1 for Monday
     * @param list<string> $shows     what a preview shows besides title, division and term
     */
    public function __construct(
        /** `list` is a key door without a key: found in the list of sites one may join or ask at. */
        #[Assert\Choice(self::KINDS, message: 'doors.no-such-kind-door')] public string $kind = 'key',
        #[Assert\Length(max: 60, maxMessage: 'shared.shorten-name-60-characters')] public string $name = '',
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public string $role = 'learner',
        #[Assert\Choice(['none', 'fixed', 'emptiest', 'choice'], message: 'doors.choose-how-sections-given')]
        public string $place = 'none',
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')]
        public ?string $section = null,
        #[Assert\Date(message: 'shared.write-first-day-year')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'doors.write-last-day-year')]
        public ?string $untilDay = null,
        #[Assert\Range(
            notInRangeMessage: 'doors.choose-1-10-000',
            min: 1,
            max: 10_000,
        )]
        public ?int $seats = null,
        #[Assert\Count(max: 20)]
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 32)])]
        public array $divisions = [],
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $lowest = null,
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $highest = null,
        #[Assert\Count(max: 10, maxMessage: 'doors.name-10-domains-most')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex(
                '/^[a-z0-9.-]+\.[a-z]{2,}$/D',
                message: 'doors.write-domain-such-example',
            ),
        ])]
        public array $domains = [],
        /** Each one waits for somebody's word. */
        public bool $approval = false,
        /** Those it has no seat for may wait. */
        public bool $waiting = true,
        /** Whoever has no account makes one on the way. */
        public bool $accounts = false,
        #[Assert\Choice(['site', 'term', 'day'], message: 'doors.choose-how-long-stay')] public string $stay = 'site',
        #[Assert\Date(message: 'doors.write-day-until-which')]
        public ?string $stayDay = null,
        #[Assert\Range(notInRangeMessage: 'shared.choose-1-365-days', min: 1, max: 365)] public ?int $quietDays = null,
        #[Assert\Range(notInRangeMessage: 'doors.choose-1-20-meetings', min: 1, max: 20)]
        public ?int $quietMeetings = null,
        #[Assert\Count(max: 7)] #[Assert\All([new Assert\Range(min: 1, max: 7)])] public array $meets = [],
        /** Hours, nights not counted, for which a seat is kept for whoever is next in line. */
        #[Assert\Range(notInRangeMessage: 'doors.keep-seat-1-200', min: 1, max: 200)]
        public int $offerHours = 14,
        #[Assert\Range(notInRangeMessage: 'doors.let-invitations-hold-1', min: 1, max: 90)]
        public int $answerDays = 14,
        #[Assert\Range(notInRangeMessage: 'doors.remind-after-1-60', min: 1, max: 60)]
        public ?int $remindDays = 5,
        /** Whether an invitation that is open holds a seat. */
        public bool $holds = false,
        #[Assert\Count(max: 3)] #[Assert\All([new Assert\Choice(self::SHOWN)])] public array $shows = [],
        /** Whether a preview is for people without an account, too. */
        public bool $anyone = false,
        #[Assert\Length(max: 600, maxMessage: 'doors.shorten-words-600-characters')] public string $about = '',
        /** A key of one's own; null for one that is made. */
        #[\SensitiveParameter] #[Assert\Length(max: 120, maxMessage: 'doors.shorten-key')] public ?string $key = null,
    ) {}
}
