<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Symfony\Component\Validator\Constraints as Assert;

/** A view of a roster to be kept. */
final readonly class ViewRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'Give it a name.', normalizer: 'trim')]
        #[Assert\Length(max: 60, maxMessage: 'Shorten the name to 60 characters.')]
        public string $name,
        /** The query part of the roster's address: names and values of its filters. */
        #[Assert\Length(max: 500, maxMessage: 'This view is too long to be kept. Leave some of it out.')]
        #[Assert\Regex('/^[\w\-.~%&=+*]*$/D', message: 'This is no address of a roster.')]
        public string $view,
    ) {}

    public function name(): string
    {
        return trim($this->name);
    }
}
