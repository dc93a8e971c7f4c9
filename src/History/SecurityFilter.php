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
        #[Assert\Regex('/^[a-z-]{0,32}$/D', message: 'history.no-such-line')] public string $code = '',
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'shared.not-persons-id')]
        public string $person = '',
        #[Assert\Date(message: 'history.write-first-day-year')] public string $from = '',
        #[Assert\Date(message: 'history.write-last-day-year')] public string $until = '',
        public string $cursor = '',
    ) {}
}
