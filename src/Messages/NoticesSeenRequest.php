<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Notices somebody has read. */
final readonly class NoticesSeenRequest
{
    /** @param list<string> $notices ids */
    public function __construct(
        #[Assert\Count(min: 1, max: 100, minMessage: 'messages.say-which')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'messages.no-such-notice'),
        ])]
        public array $notices,
    ) {}
}
