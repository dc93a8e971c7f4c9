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
            minMessage: 'Choose whom to answer.',
            maxMessage: 'Answer 500 at most at once.',
        )]
        #[Assert\All([new Assert\Type('int')])] public array $waiters,
        #[Assert\Choice(['yes', 'no', 'up'], message: 'Say yes, no, or up.')] public string $answer,
        #[Assert\Length(max: 300, maxMessage: 'Shorten the words to 300 characters.')] public string $why = '',
    ) {}
}
