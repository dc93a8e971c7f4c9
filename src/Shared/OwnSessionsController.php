<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Entity\SessionRecord;
use MintDoor\Shared\Repository\Sessions;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Where one is signed in, and ending it: this place or that, or all others. */
final readonly class OwnSessionsController
{
    public function __construct(private Sessions $sessions, private SecurityLog $log) {}

    #[Route('/me/sessions', name: 'own_sessions', methods: ['GET'])]
    public function all(Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($request, $caller);
    }

    /** Ends all but this one. */
    #[Route('/me/sessions', name: 'end_other_sessions', methods: ['DELETE'])]
    public function endOthers(Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->sessions->endAllOf($caller->id, $this->own($request));
        $this->log->note('own-sessions-ended', $caller->id, by: $caller->id);

        return $this->answer($request, $caller);
    }

    #[Route(
        '/me/sessions/{session}',
        name: 'end_own_session',
        requirements: ['session' => '[0-9a-f]{32}'],
        methods: ['DELETE'],
    )]
    public function end(string $session, Request $request, #[CurrentUser] Caller $caller): Response
    {
        if (!$this->sessions->endNamed($caller->id, (string) hex2bin($session))) {
            throw Problem::notFound('session');
        }
        $this->log->note('own-sessions-ended', $caller->id, by: $caller->id);

        return $this->answer($request, $caller);
    }

    private function answer(Request $request, Caller $caller): Answer
    {
        $own = $this->own($request);

        return new Answer([
            'items' => array_map(
                static fn(SessionRecord $session): array => [
                    'id' => bin2hex(substr($session->id, 0, Sessions::NAMED)),
                    'current' => hash_equals($session->id, $own),
                    'madeAt' => Instant::toJson($session->madeAt),
                    'usedAt' => Instant::toJson($session->touchedAt),
                    'endsAt' => Instant::toJson(min($session->endsAt, $session->touchedAt + SessionStore::LASTS)),
                    'place' => (string) $session->address,
                    'device' => $session->device,
                ],
                $this->sessions->ofPerson($caller->id, SessionStore::LASTS),
            ),
        ]);
    }

    private function own(Request $request): string
    {
        return SessionStore::hash($request->getSession()->getId());
    }
}
