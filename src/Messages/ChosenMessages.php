<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Some messages, to send again or to withdraw. */
final readonly class ChosenMessages
{
    /** @param list<string> $messages ids */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 200,
            minMessage: 'Choose a message first.',
            maxMessage: 'Choose 200 messages at most, and do the rest after.',
        )]
        #[Assert\Unique(message: 'A message is chosen twice.')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a message\'s id.'),
        ])]
        public array $messages,
    ) {}
}
