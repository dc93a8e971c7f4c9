<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Symfony\Component\Validator\Constraints as Assert;

/** An answer to people who wait. */
final readonly class WaitingRequest
{
    /** @param list<int> $waiters their numbers */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 500,
            minMessage: 'doors.choose-whom-answer',
            maxMessage: 'doors.answer-500-most-once',
        )]
        #[Assert\All([new Assert\Type('int')])] public array $waiters,
        #[Assert\Choice(['yes', 'no', 'up'], message: 'doors.say-yes-no-up')] public string $answer,
        #[Assert\Length(max: 300, maxMessage: 'doors.shorten-words-300-characters')] public string $why = '',
    ) {}
}
