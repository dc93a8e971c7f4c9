<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Platform\Levels;
use Symfony\Component\Validator\Constraints as Assert;

/** An account that somebody makes for themselves on the way through a door. */
final readonly class JoinAccountRequest extends JoinRequest
{
    /** @param list<string> $answers to the questions of the kind of site, in their order */
    public function __construct(
        ?string $key = null,
        ?string $invitation = null,
        ?string $door = null,
        ?string $section = null,
        string $why = '',
        string $visitor = '',
        #[Assert\Length(max: 80, maxMessage: 'doors.shorten-given-name-80')] public string $given = '',
        #[Assert\Length(max: 80, maxMessage: 'doors.shorten-family-name-80')] public string $family = '',
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $level = null,
        #[\SensitiveParameter]
        #[Assert\Length(max: 1_000, maxMessage: 'shared.choose-password-200-characters')]
        public string $password = '',
        array $answers = [],
        bool $clash = false,
    ) {
        parent::__construct($key, $invitation, $door, $section, $why, false, $visitor, $answers, $clash);
    }
}
