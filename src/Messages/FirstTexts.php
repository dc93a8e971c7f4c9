<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use Symfony\Contracts\Translation\TranslatorInterface;

/** The texts of messages that a platform begins with, in each language: `translations/messages/letters.*.json`. */
final readonly class FirstTexts
{
    private const DOMAIN = 'letters';

    public function __construct(private TranslatorInterface $translator) {}

    /** @param string $language BCP 47 */
    public function of(MessageKind $kind, string $language): Template
    {
        $say = fn(string $part): string => $this->translator->trans(
            'letters.'.$kind->value.'.'.$part,
            [],
            self::DOMAIN,
            strtr($language, '-', '_'),
        );

        return new Template($say('subject'), $say('body'));
    }
}
