<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Template;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Words for one kind of message, of the platform where neither division nor site is named. */
final readonly class TemplateRequest
{
    public function __construct(
        public string $subject,
        #[Assert\Length(max: 4 * Template::LONGEST_BODY, maxMessage: 'messages.shorten-text')] public string $body,
        #[Assert\Length(max: 32)] public ?string $division = null,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-sites-id')] public ?string $site = null,
        /** The version that was looked at; 0 where there was none. */
        #[Assert\PositiveOrZero] public int $version = 0,
        /** BCP 47: the nearest there are sentences in is taken. */
        #[Assert\Length(max: 16)] public ?string $language = null,
    ) {}
}
