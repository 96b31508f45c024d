import { answered, api } from "../api/client";

/** Begins a file that is sent in pieces, or finds the one that broke off. */
export function beginUpload(deliveryId: string, name: string, file: File) {
  return answered(
    api.POST("/api/deliveries/{id}/uploads", {
      params: { path: { id: deliveryId } },
      body: { name, bytes: file.size, changed: file.lastModified },
    }),
  );
}

/** How far an upload is, and what became of it. */
export function upload(id: string) {
  return answered(api.GET("/api/uploads/{id}", { params: { path: { id } } }));
}
