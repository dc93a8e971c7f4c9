<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Whom to invite: typed or pasted lines, and words of one's own. */
final readonly class InviteRequest
{
    public const MOST = 2_000;

    /**
     * @param array<string, string> $choices id of the person by the number of the line it was settled for
     */
    public function __construct(
        #[Assert\Length(
            max: 400_000,
            maxMessage: 'doors.more-fits-once-invite',
        )]
        public string $text = '',
        #[Assert\Count(max: self::MOST)]
        #[Assert\All([new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')])]
        public array $choices = [],
        #[Assert\Length(max: 2_000, maxMessage: 'doors.shorten-words-2-000')] public string $words = '',
        public bool $apply = false,
    ) {}
}
