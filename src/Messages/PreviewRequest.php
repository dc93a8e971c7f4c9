<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A message as somebody would get it: with the nearest template, or with words that are not saved yet. */
final readonly class PreviewRequest
{
    public function __construct(
        #[Assert\Choice(callback: [self::class, 'kinds'], message: 'messages.no-such-kind-message')]
        public string $kind,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id')] public ?string $site = null,
        #[Assert\Length(max: 32)] public ?string $division = null,
        /** Whose copy it is; one's own where none is named. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')]
        public ?string $person = null,
        /** The role it tells of. */
        #[Assert\Length(max: 32)] public ?string $role = null,
        #[Assert\Length(max: 2_000, maxMessage: 'shared.shorten-words-2-000')] public string $words = '',
        #[Assert\Length(max: 1_000)] public ?string $subject = null,
        #[Assert\Length(max: 2 * Template::LONGEST_BODY)] public ?string $body = null,
        #[Assert\Valid] public ?SampleRequest $sample = null,
        /** BCP 47; that of the person where none is named. */
        #[Assert\Length(max: 16)] public ?string $language = null,
    ) {}

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_map(static fn(MessageKind $kind): string => $kind->value, MessageKind::cases());
    }
}
