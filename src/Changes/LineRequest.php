<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Sites\Section;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** One line as it is asked for. Days are of the site's time zone; the last one is included. */
final readonly class LineRequest
{
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')] public string $person,
        #[Assert\Choice(callback: [self::class, 'verbs'], message: 'shared.no-such-change')] public string $verb,
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-role')] public ?string $role = null,
        #[Assert\Date(message: 'shared.write-first-day-year')]
        public ?string $fromDay = null,
        #[Assert\Date(message: 'shared.write-last-day-year')]
        public ?string $untilDay = null,
        /** In place of a last day: so many days from today on, today included. */
        #[Assert\Range(notInRangeMessage: 'changes.choose-1-1-000', min: 1, max: 1_000)] public ?int $days = null,
        /** Why, for those who let people in here; the person never sees it. */
        #[Assert\Length(max: 500, maxMessage: 'changes.shorten-note-500-characters')] public ?string $note = null,
        /** The version of the enrollment that was looked at; null where it does not matter. */
        #[Assert\PositiveOrZero] public ?int $version = null,
        /** A section of the site, for letting in and for putting into one. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')]
        public ?string $section = null,
        /** That a role above learner is meant, where none was asked for. */
        public bool $sure = false,
        /** The version of the site that was looked at; null where it does not matter. */
        #[Assert\PositiveOrZero] public ?int $siteVersion = null,
        /** For letting in: what was typed or pasted, that names them by their number or address in full. */
        #[Assert\Length(max: 300, maxMessage: 'changes.longer-any-number-address')]
        public ?string $named = null,
        /** That the site will have no lead from a day on, and this is meant. */
        public bool $leadEnds = false,
        /** @var list<string> sections of the site, for a change of them */
        #[Assert\Count(max: Section::MOST_OF_ONE, maxMessage: 'changes.most-sections')]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.no-such-section')])]
        public array $sections = [],
        /** That they will be wanted in two places at once, and this is meant; the note says why. */
        public bool $clash = false,
    ) {}

    /** @return non-empty-list<string> */
    public static function verbs(): array
    {
        return array_map(static fn(Verb $verb): string => $verb->value, Verb::cases());
    }
}
