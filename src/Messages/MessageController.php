<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;
use MintDoor\People\Repository\Directory;
use MintDoor\Roster\Gate;
use MintDoor\Roster\PersonGate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Languages;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Speech;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The log of messages: what was sent to whom, sent again, withdrawn in time, and looked at beforehand. */
final readonly class MessageController
{
    public function __construct(
        private MessageQuery $messages,
        private Messages $room,
        private Texts $texts,
        private MessageValues $values,
        private Addresses $addresses,
        private Gate $gate,
        private PersonGate $people,
        private Transaction $transaction,
        private Ids $ids,
        private Directory $directory,
        private Speech $speech,
        private Languages $languages,
    ) {}

    #[Route('/messages', name: 'messages', methods: ['GET'])]
    public function list(#[FromQuery] MessageFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        self::assertStaff($caller);

        return new Answer($this->messages->list($filter, $caller));
    }

    /** Sends messages once more, to where people are reached now. */
    #[Route('/messages/again', name: 'send_again', methods: ['POST'])]
    public function again(
        #[MapRequestPayload] ChosenMessages $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        self::assertStaff($caller);

        return $this->transaction->run($request, $caller, [], function () use ($chosen, $caller): Answer {
            $again = $left = [];
            foreach ($this->seen($chosen, $caller) as $message) {
                $why = match (true) {
                    $message->waits() => 'on-its-way',
                    \in_array($message->kind, ['invitation', 'reminder'], true) => 'invitation',
                    null !== $message->gone, '' === $message->body => 'gone',
                    default => null === $message->email ? 'no-address' : null,
                };
                if (null !== $why) {
                    $left[] = ['id' => $message->id, 'name' => $message->name(), 'why' => $why];
                } else {
                    $again[] = new Outgoing(
                        MessageKind::from($message->kind),
                        $message->personId,
                        (string) $message->email,
                        new Letter($message->subject, $message->body),
                        'again:'.$message->first().':'.$this->ids->next(),
                        $message->siteId,
                    );
                }
            }
            $this->room->queue($again, $caller->id);

            return new Answer(['queued' => \count($again), 'left' => $left]);
        });
    }

    #[Route('/messages/withdraw', name: 'withdraw_messages', methods: ['POST'])]
    public function withdraw(
        #[MapRequestPayload] ChosenMessages $chosen,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        self::assertStaff($caller);

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer([
                'withdrawn' => $this->room->withdraw(
                    'id',
                    array_map(static fn(MessageView $message): string => $message->id, $this->seen($chosen, $caller)),
                ),
            ]),
        );
    }

    /** What somebody would read. Sends nothing. */
    #[Route('/message-previews', name: 'preview_message', methods: ['POST'])]
    public function preview(#[MapRequestPayload] PreviewRequest $body, #[CurrentUser] Caller $caller): Response
    {
        self::assertStaff($caller);
        $kind = MessageKind::from($body->kind);
        $person = $this->people->at($body->person ?? $caller->id, $caller)->row;
        $access =
            $kind->ofSite() && null !== $body->site
                ? $this->gate
                    ->at($body->site, $caller)
                    ->require(
                        Permission::WriteToPeople,
                        'messages.not-write-people-site',
                    )
                : null;
        $language =
            null === $body->language
                ? $person->string('person_language')
                : $this->languages->nearest($body->language);
        $values = match (true) {
            null !== $access => $this->values->ofSite(
                $access,
                $person,
                null === $body->role
                    ? null
                    : new Segment(new Window($access->now), State::Current, [$body->role], false, $access->now),
                $body->words,
                $language,
            ),
            $kind->ofSite() => [
                ...$this->values->ofPerson($person),
                'site' => $this->speech->say('messages.sample.site', $language),
                'role' => $this->speech->say('messages.sample.role', $language),
                'until' => '',
                'by' => $caller->name,
                'words' => $body->words,
            ],
            default => $this->values->welcome($person, $caller, $body->words),
        };
        $sample = $kind->ofSite() ? null : $body->sample;
        if (null !== $sample) {
            $values = [
                ...$values,
                'name' => trim($sample->given.' '.$sample->family),
                'given' => $sample->given,
                'login' => $sample->login,
                'division' => $sample->division,
            ];
        }
        $division = $body->division ?? ($access?->site->division ?? $person->string('person_division'));
        $reach = $this->directory->reachOf($caller);
        // Words of a division are for those who have to do with it.
        if (
            null === $access
            && !$reach->everything
            && !\in_array($division, $reach->divisions, true)
            && $division !== $caller->division
        ) {
            throw Problem::notFound('division');
        }
        $used =
            null === $body->subject || null === $body->body
                ? $this->texts->nearest($kind, $access?->site->id, $division, $language)
                : new TextInUse($this->texts->with($body->subject, $body->body, $division), 'unsaved');
        $letter = $used->template->fill($values, $language);
        $link = $this->addresses->of($kind, '…', $body->site ?? '…');

        return new Answer([
            'to' => null === $sample ? $person->stringOrNull('email') : $sample->email,
            'subject' => $letter->subject,
            'text' => $letter->asText($link),
            'html' => $letter->asHtml($link),
            'whose' => $used->of,
            'problems' => array_map(
                fn(array $problem): array => $this->speech->wrong(TemplateController::problem($problem)),
                $used->template->problems($kind),
            ),
        ]);
    }

    /** @return list<MessageView> */
    private function seen(ChosenMessages $chosen, Caller $caller): array
    {
        $rows = $this->messages->some($chosen->messages, $caller);

        return \count($rows) === \count($chosen->messages) ? $rows : throw Problem::notFound('message');
    }

    private static function assertStaff(Caller $caller): void
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('messages.only-staff-look-into');
        }
    }
}
