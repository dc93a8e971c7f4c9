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
            minMessage: 'messages.choose-message-first',
            maxMessage: 'messages.choose-200-messages-most',
        )]
        #[Assert\Unique(message: 'messages.message-chosen-twice')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'messages.not-messages-id'),
        ])]
        public array $messages,
    ) {}
}
