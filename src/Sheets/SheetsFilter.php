<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use MintDoor\Hall\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Which sheets are listed. */
final readonly class SheetsFilter
{
    public function __construct(
        #[Assert\Choice(['', 'draft', 'applying', 'applied', 'dropped'], message: 'There is no such state.')]
        public string $state = '',
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'This is not a site\'s id.')] public string $site = '',
        /** Mine only. */
        public bool $mine = false,
        public string $cursor = '',
    ) {}
}
