<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Roles\Permission;
use MintDoor\Messages\Repository\StoredMessages;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Page;
use MintDoor\Shared\PlatformClock;

/**
 * Messages as staff see them: those they sent, those of sites where they write to people, and of the people of their
 * divisions.
 */
final readonly class MessageQuery
{
    private const PAGE = 60;

    public function __construct(
        private StoredMessages $messages,
        private Roles $roles,
        private PlatformClock $clock,
    ) {}

    /** @return Page<MessageShown> */
    public function list(MessageFilter $filter, Caller $caller): Page
    {
        $cursor = Cursor::read($filter->cursor, 'messages', 'u');
        $rows = $this->messages->list(
            $filter,
            $caller,
            $this->writers($caller),
            $this->clock->instant(),
            null === $cursor ? null : (string) $cursor->values[0],
            self::PAGE + 1,
        );
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return new Page(
            array_map(static fn(MessageView $message): MessageShown => $message->shown(), $rows),
            $more ? Cursor::write('messages', [$rows[self::PAGE - 1]->id]) : null,
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<MessageView> those of them that the caller may see
     */
    public function some(array $ids, Caller $caller): array
    {
        return $this->messages->some($ids, $caller, $this->writers($caller), $this->clock->instant());
    }

    /** @return list<string> codes of the roles in which the caller writes to people of a site */
    private function writers(Caller $caller): array
    {
        return $this->roles->letting($caller, Permission::WriteToPeople);
    }
}
