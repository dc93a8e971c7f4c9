<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;

/** A view of a roster to be kept. */
final readonly class ViewRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'roster.give-name', normalizer: 'trim')]
        #[Assert\Length(max: 60, maxMessage: 'shared.shorten-name-60-characters')]
        public string $name,
        /** The query part of the roster's address: names and values of its filters. */
        #[Assert\Length(max: 500, maxMessage: 'roster.view-too-long-kept')]
        #[Assert\Regex('/^[\w\-.~%&=+*]*$/D', message: 'roster.no-address-roster')]
        public string $view,
    ) {}

    public function name(): string
    {
        return trim($this->name);
    }
}
