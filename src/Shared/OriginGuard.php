<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Keeps other sites from making a signed-in browser change something. A request that changes anything must carry a
 * header that no foreign page can send without asking first (and nobody is ever told yes: there is no CORS here), be
 * JSON where it has a body, and come from this origin where the browser says where it comes from.
 */
#[AsEventListener(priority: 250)]
final class OriginGuard
{
    public const HEADER = 'X-Mint-Door';

    public function __construct(private readonly Speech $speech) {}

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->isMethodSafe()) {
            return;
        }
        if (!$request->headers->has(self::HEADER) || $this->foreign($request)) {
            $this->refuse(
                $event,
                new Problem(ProblemType::ForeignOrigin, 'shared.request-did-not-come'),
            );
        }
    }

    private function foreign(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site', 'same-origin');
        $origin = $request->headers->get('Origin');

        return !\in_array($site, ['same-origin', 'none'], true)
            || (null !== $origin
                && !\in_array(
                    $origin,
                    [
                        $request->getSchemeAndHttpHost(),
                        'http://'.$request->getHttpHost(),
                        'https://'.$request->getHttpHost(),
                    ],
                    true,
                ));
    }

    private function refuse(RequestEvent $event, Problem $problem): void
    {
        $event->setResponse($this->speech->answer($problem));
    }
}
