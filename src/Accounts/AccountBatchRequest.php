<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Platform\Levels;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Rows of people who are to get accounts: looked at only, or made. */
final readonly class AccountBatchRequest
{
    public const MOST_ROWS = 10_000;

    /** @param array<int, string> $choices by row: the person of the directory it means, or "new" */
    public function __construct(
        #[Assert\Length(
            max: 900_000,
            maxMessage: 'shared.more-fits-change-list',
        )]
        public string $text,
        /** Code, for rows that say none. */
        #[Assert\Length(max: 32)] public string $division = '',
        /** For rows that say none: one of the four, or one that the platform has beside them. */
        #[Assert\Regex('/^[a-z0-9-]{1,32}$/D', message: 'shared.no-such-kind-person')]
        public string $kind = 'learner',
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $level = null,
        #[Assert\Count(max: self::MOST_ROWS)]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex(
                '/^(new|'.Id::PATTERN.')$/D',
                message: 'accounts.choose-those-shown-somebody',
            ),
        ])]
        public array $choices = [],
        public bool $apply = false,
        /** The kept change list that is applied with it. */
        #[Assert\Regex(
            '/^'.Id::PATTERN.'$/D',
            message: 'shared.not-change-lists-id'
        )] public ?string $changeList = null,
        /** Words for those who are told of their account; null tells nobody. */
        #[Assert\Length(max: 2_000, maxMessage: 'shared.shorten-words-2-000')] public ?string $tell = null,
    ) {}
}
