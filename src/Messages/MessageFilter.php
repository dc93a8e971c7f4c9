<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Which messages are listed. */
final readonly class MessageFilter
{
    public function __construct(
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'shared.not-sites-id')] public string $site = '',
        #[Assert\Regex('/^('.Id::PATTERN.')?$/D', message: 'shared.not-persons-id')]
        public string $person = '',
        #[Assert\Regex(
            '/^('.Id::PATTERN.')?$/D',
            message: 'shared.not-change-lists-id'
        )] public string $changeList = '',
        #[Assert\Choice(callback: [self::class, 'kinds'], message: 'messages.no-such-kind-message')]
        public string $kind = '',
        #[Assert\Choice(callback: [self::class, 'states'], message: 'shared.no-such-state')]
        public string $state = '',
        /** The beginning of an address. */
        #[Assert\Length(max: 190)] public string $q = '',
        public string $cursor = '',
    ) {}

    /** @return list<string> */
    public static function kinds(): array
    {
        return ['', ...array_map(static fn(MessageKind $kind): string => $kind->value, MessageKind::cases())];
    }

    /** @return list<string> */
    public static function states(): array
    {
        return ['', ...array_map(static fn(MessageState $state): string => $state->value, MessageState::cases())];
    }
}
