<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

/** The templates a platform begins with. */
final class FirstTemplates
{
    private function __construct() {}

    public static function of(MessageKind $kind): Template
    {
        return match ($kind) {
            MessageKind::Welcome => new Template(
                'Your account at {platform}',
                "Hello {given},\n\n{by} made an account for you at {platform} ({division}). Your login name is "
                    ."{login}.\n\n{words}\n\nSet your password here; the link works once, for two weeks:\n{link}",
            ),
            MessageKind::LetIn => new Template(
                'You can enter {site}',
                "Hello {given},\n\n{by} let you into {site} as {role}{until}.\n\n{words}\n\nEnter it here:\n"
                    ."{link}\n\nSign in as {login}.",
            ),
            MessageKind::RoleChanged => new Template(
                'Your role in {site} is now {role}',
                "Hello {given},\n\n{by} changed your role in {site}: you are now {role}{until}.\n\n{words}\n\n{link}",
            ),
            MessageKind::Removed => new Template(
                'You are no longer in {site}',
                "Hello {given},\n\n{by} removed you from {site}. Nothing you did there is lost. If this is a mistake, "
                    ."write to them.\n\n{words}",
            ),
            MessageKind::Password => new Template(
                'Set a new password',
                "Hello {given},\n\nset a new password for {login} here; the link works once, for an hour:\n{link}\n\n"
                    .'If you did not ask for it, leave it: your password stays as it is.',
            ),
            MessageKind::AccountChanged => new Template(
                'Your account at {platform}',
                "Hello {given},\n\n{what}\n\nIf you did not expect this, tell the administrators of {division} "
                    ."today.\n\n{link}",
            ),
            MessageKind::Invitation => new Template(
                'Come into {site}?',
                "Hello {given},\n\n{by} asks you to join {site} as {role}. The invitation holds{until}.\n\n{words}\n\n"
                    ."Answer here; the link works once:\n{link}",
            ),
            MessageKind::Reminder => new Template(
                'Still time to join {site}',
                "Hello {given},\n\n{by} asked you to join {site} as {role}, and is waiting for your answer. The "
                    ."invitation holds{until}.\n\n{words}\n\nAnswer here; the link works once:\n{link}",
            ),
            MessageKind::SeatOffered => new Template(
                'A seat is free for you in {site}',
                "Hello {given},\n\na seat is free in {site}, and you are the next on the waiting list. It is kept for "
                    .'you{until}; '
                    ."then it goes to the next.\n\n{words}\n\nTake it here:\n{link}",
            ),
            MessageKind::RequestAnswered => new Template(
                'Your request to join {site}',
                "Hello {given},\n\n{by} answered your request to join {site}.\n\n{words}\n\n{link}",
            ),
            MessageKind::QuietWarning => new Template(
                'Your seat in {site}',
                "Hello {given},\n\nyou have not been in {site} for a while. Your seat is kept for you{until}; then it "
                    ."goes to somebody who waits. Enter it before that and it stays yours:\n{link}\n\n{words}",
            ),
        };
    }
}
