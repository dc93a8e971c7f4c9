<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** What the groups of a split are to be like, and who is put into them. */
final readonly class WishesRequest
{
    public const WHO = ['all', 'rest', 'few'];

    /**
     * @param list<WishRequest>   $wishes
     * @param 'all'|'rest'|'few'  $who  everybody anew; only those who are in no group; those, and as few of the others
     *     as can be
     * @param list<string>        $keep ids of groups that stay as they are
     */
    public function __construct(
        #[Assert\Count(max: 40, maxMessage: 'groups.fewer-wishes')]
        #[Assert\Valid] public array $wishes = [],
        #[Assert\Choice(self::WHO, message: 'groups.say-who')] public string $who = 'all',
        #[Assert\Count(max: SplitRequest::MOST_GROUPS, maxMessage: 'groups.fewer-groups')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-group'),
        ])]
        public array $keep = [],
    ) {}

    /** @return array<string, mixed> for `read()` */
    public function kept(): array
    {
        return ['wishes' => array_map(get_object_vars(...), $this->wishes), 'who' => $this->who, 'keep' => $this->keep];
    }

    /** @param ?array<string, mixed> $kept */
    public static function read(?array $kept): self
    {
        $who = $kept['who'] ?? null;

        return new self(
            array_values(
                array_map(WishRequest::read(...), array_filter((array) ($kept['wishes'] ?? []), is_array(...))),
            ),
            \is_string($who) && \in_array($who, self::WHO, true) ? $who : 'all',
            array_values(array_filter((array) ($kept['keep'] ?? []), is_string(...))),
        );
    }
}
