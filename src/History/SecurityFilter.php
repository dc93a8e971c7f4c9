<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Which lines of the security log are wanted. Days are of UTC; the last one is included. */
final readonly class SecurityFilter
{
    public function __construct(
        #[Assert\Length(max: 200)] public string $q = '',
        #[Assert\Regex('/^[a-z-]{0,32}$/D', message: 'There is no such line.')] public string $code = '',
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'This is not a person\'s id.')]
        public string $person = '',
        #[Assert\Date(message: 'Write the first day as year-month-day.')] public string $from = '',
        #[Assert\Date(message: 'Write the last day as year-month-day.')] public string $until = '',
        public string $cursor = '',
    ) {}
}
