<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Rows of sites: looked at only, or made. */
final readonly class SiteBatchRequest
{
    public const MOST_ROWS = 200;

    /** @param array<string, string> $leads who a lead is meant to be, by `row number:place` */
    public function __construct(
        #[Assert\Length(
            max: 100_000,
            maxMessage: 'shared.more-fits-change-list',
        )]
        public string $text,
        /** Codes, for rows that say none. */
        #[Assert\Length(max: 32)] public string $division = '',
        #[Assert\Length(max: 32)] public string $term = '',
        #[Assert\Count(max: 1_000)]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $leads = [],
        public bool $apply = false,
        /** The kept change list that is applied with it. */
        #[Assert\Regex(
            '/^'.Id::PATTERN.'$/D',
            message: 'shared.not-change-lists-id'
        )] public ?string $changeList = null,
    ) {}
}
