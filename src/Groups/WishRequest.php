<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Schema `GroupWish`: something that groups are to be like. */
final readonly class WishRequest
{
    public const KINDS = ['count', 'even', 'mixed', 'together', 'apart', 'met', 'free'];

    public const BY = ['', 'section', 'level', 'division', 'label', 'detail'];

    /**
     * @param 'count'|'even'|'mixed'|'together'|'apart'|'met'|'free' $kind
     * @param bool         $must   whether it must be kept, rather than met as well as can be
     * @param ''|'section'|'level'|'division'|'label'|'detail' $by what of people it is about
     * @param string       $detail code of the detail, for `detail`
     * @param string       $value  for `count`: what those are that are counted, such as the name of a label
     * @param int          $least  for `count`: so many of them at least
     * @param int          $most   for `count`: at most; for `met`: so many of them somebody may be with again
     * @param list<string> $people ids, for `together` and `apart`
     * @param ?string      $split  id, for `met`: the groups in which they met before
     */
    public function __construct(
        #[Assert\Choice(self::KINDS, message: 'groups.wish-kind')] public string $kind,
        public bool $must = false,
        #[Assert\Choice(self::BY, message: 'groups.wish-by')] public string $by = '',
        #[Assert\Length(max: 40, maxMessage: 'groups.no-detail')] public string $detail = '',
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-value')] public string $value = '',
        #[Assert\Range(notInRangeMessage: 'groups.count-0-1000', min: 0, max: SplitRequest::MOST_SIZE)]
        public int $least = 0,
        #[Assert\Range(notInRangeMessage: 'groups.count-0-1000', min: 0, max: SplitRequest::MOST_SIZE)]
        public int $most = 0,
        #[Assert\Count(max: 60, maxMessage: 'groups.wish-people')]
        #[Assert\Unique(message: 'groups.person-once')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people = [],
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-split')] public ?string $split = null,
    ) {}

    /** @param array<array-key, mixed> $kept as `get_object_vars()` gives it */
    public static function read(array $kept): self
    {
        $text = static fn(string $key): string => \is_string($kept[$key] ?? null) ? $kept[$key] : '';
        $number = static fn(string $key): int => \is_int($kept[$key] ?? null) ? $kept[$key] : 0;
        $kind = $text('kind');
        $by = $text('by');

        return new self(
            \in_array($kind, self::KINDS, true) ? $kind : 'free',
            true === ($kept['must'] ?? null),
            \in_array($by, self::BY, true) ? $by : '',
            $text('detail'),
            $text('value'),
            $number('least'),
            $number('most'),
            array_values(array_filter((array) ($kept['people'] ?? []), is_string(...))),
            '' === $text('split') ? null : $text('split'),
        );
    }
}
