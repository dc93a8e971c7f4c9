<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * Strict headers on every answer of the interface; those of the pages are nginx's (`config/nginx.conf`). Each says how
 * long it is: an answer that was cut off, since its process was killed, must not pass for a whole one.
 */
#[AsEventListener(priority: -200)]
final class Headers
{
    public function __invoke(ResponseEvent $event): void
    {
        $response = $event->getResponse();
        $content = $response->getContent();
        if (\is_string($content) && !$response->isEmpty() && !$event->getRequest()->isMethod('HEAD')) {
            $response->headers->set('Content-Length', (string) \strlen($content));
        }
        $response->headers->add([
            'Content-Security-Policy' => "default-src 'none'; frame-ancestors 'none'",
            'Referrer-Policy' => 'same-origin',
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Cross-Origin-Resource-Policy' => 'same-origin',
        ]);
    }
}
